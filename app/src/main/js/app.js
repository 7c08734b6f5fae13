// On every page: the dim theme, the field that finds, the keys to the stages, and pages that look at themselves anew.

import { isTyping } from "./exchange.js";
import { startFind } from "./find.js";
import { startOutbox } from "./outbox.js";
import { startStill } from "./still.js";

const A_YEAR_S = 31536000;

themeSwitch();
stageKeys();
reloading();
startFind();
startStill();
startOutbox();
sendKept();
menu();
keepPlace();
underWay();

/** Kept in a cookie, so that the server paints the page in it from the start and a dark attic never flashes white. */
function themeSwitch() {
  const button = document.querySelector("[data-theme-switch]");
  if (!button) {
    return;
  }
  const show = () => button.setAttribute("aria-pressed", String(document.documentElement.dataset.theme === "loft"));
  show();
  button.addEventListener("click", () => {
    const loft = document.documentElement.dataset.theme !== "loft";
    if (loft) {
      document.documentElement.dataset.theme = "loft";
    } else {
      delete document.documentElement.dataset.theme;
    }
    document.cookie = `roofnest-theme=${loft ? "loft" : "paper"}; path=/; max-age=${A_YEAR_S}; samesite=lax`;
    show();
  });
}

/** Whoever presses something far down is there again when the same page comes back; what is wrong comes into view first. */
function keepPlace() {
  const KEY = "roofnest-place";
  document.addEventListener("submit", (event) => {
    if (event.target.method === "post") {
      sessionStorage.setItem(KEY, JSON.stringify({ path: location.pathname, y: scrollY }));
    }
  });
  const kept = JSON.parse(sessionStorage.getItem(KEY) ?? "null");
  sessionStorage.removeItem(KEY);
  const fault = document.querySelector('[aria-invalid="true"], .fault[role="alert"]');
  if (fault) {
    fault.scrollIntoView({ block: "center" });
  } else if (kept?.path === location.pathname && !location.hash) {
    scrollTo(0, kept.y);
  }
}

/** A form whose answer may take a while says what is being done, and for how long already, until the next page is there. */
function underWay() {
  document.addEventListener("submit", (event) => {
    const form = event.target;
    if (!form.dataset.underWay || form.querySelector(".under-way")) {
      return;
    }
    const line = document.createElement("p");
    line.className = "under-way hint";
    line.setAttribute("role", "status");
    const begun = performance.now();
    const tell = () => {
      line.textContent = `${form.dataset.underWay}, ${((performance.now() - begun) / 1000).toFixed(0)} s so far.`;
    };
    tell();
    form.append(line);
    const ticking = setInterval(tell, 1000);
    // Coming back by the browser's own button brings the page back as it was left.
    addEventListener("pageshow", () => {
      clearInterval(ticking);
      line.remove();
    }, { once: true });
  });
}

/** What was typed before the sign-in goes its way; the button is there for whoever has no scripts. */
function sendKept() {
  document.querySelector("form[data-send-kept]")?.requestSubmit();
}

/** On a phone the ways to the other pages stand behind one button. */
function menu() {
  const button = document.querySelector(".menu-button");
  const nav = document.getElementById("menu");
  if (!button) {
    return;
  }
  const show = (open) => {
    button.setAttribute("aria-expanded", String(open));
    nav.classList.toggle("open", open);
  };
  button.addEventListener("click", () => show(button.getAttribute("aria-expanded") !== "true"));
  document.addEventListener("keydown", (event) => {
    if (event.key === "Escape" && nav.classList.contains("open")) {
      show(false);
      button.focus();
    }
  });
  document.addEventListener("pointerdown", (event) => {
    if (!nav.contains(event.target) && event.target !== button) {
      show(false);
    }
  });
}

/** g, then 1 to 9, goes to a stage. */
function stageKeys() {
  let armed = false;
  document.addEventListener("keydown", (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) {
      return;
    }
    if (event.key === "g") {
      armed = true;
    } else if (armed && /^[1-9]$/.test(event.key)) {
      const gable = document.querySelector(`.gable a[data-stage="${event.key}"]`);
      event.stopImmediatePropagation();
      gable?.click();
      armed = false;
    } else {
      armed = false;
    }
  }, true);
}

/** A page that others change too is looked at anew now and then, while it is in view and nothing on it has the focus. */
function reloading() {
  const seconds = Number(document.querySelector("[data-reload-seconds]")?.dataset.reloadSeconds);
  if (!seconds) {
    return;
  }
  setInterval(() => {
    if (!document.hidden && !isTyping(document.activeElement)) {
      location.reload();
    }
  }, seconds * 1000);
}
