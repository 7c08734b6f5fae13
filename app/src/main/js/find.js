// The field on every page: "/" goes to it, what is like the words stands beneath it, the arrows go down and up.

import { isTyping, request } from "./exchange.js";

const REST_MS = 120;

export function startFind() {
  const field = document.getElementById("find");
  const list = document.getElementById("find-list");
  if (!field) {
    return;
  }
  let timer = null;
  let newest = 0;

  document.addEventListener("keydown", (event) => {
    if (event.key === "/" && !isTyping(event.target) && !event.ctrlKey && !event.metaKey && !event.altKey) {
      event.preventDefault();
      field.focus();
      field.select();
    }
  });

  field.addEventListener("input", () => {
    clearTimeout(timer);
    timer = setTimeout(look, REST_MS);
  });

  /** An answer that comes late is not shown over a newer one. */
  async function look() {
    const asked = ++newest;
    if (field.value.trim().length < 2) {
      show([]);
      return;
    }
    try {
      const response = await request(`/find/list?q=${encodeURIComponent(field.value)}`, { headers: { Accept: "text/html" } });
      if (asked === newest && response.ok) {
        const page = new DOMParser().parseFromString(await response.text(), "text/html");
        show(Array.from(page.querySelectorAll("li"), (each) => document.importNode(each, true)));
      }
    } catch {
      show([]);
    }
  }

  function show(found) {
    list.replaceChildren(...found);
    list.hidden = found.length === 0;
  }

  field.form.addEventListener("keydown", (event) => {
    const links = [field, ...list.querySelectorAll("a")];
    const at = links.indexOf(document.activeElement);
    if (event.key === "ArrowDown" || event.key === "ArrowUp") {
      event.preventDefault();
      links[Math.max(0, Math.min(links.length - 1, at + (event.key === "ArrowDown" ? 1 : -1)))].focus();
    } else if (event.key === "Escape") {
      show([]);
      field.focus();
    }
  });
  document.addEventListener("pointerdown", (event) => {
    if (!field.form.contains(event.target)) {
      show([]);
    }
  });
}
