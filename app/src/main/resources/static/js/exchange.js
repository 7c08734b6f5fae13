// Talks to the server for boards and sheets, and puts what comes back where it belongs on the page.

export async function send(method, address, body) {
  const header = document.querySelector('meta[name="csrf-header"]').content;
  const token = document.querySelector('meta[name="csrf-token"]').content;
  try {
    const response = await fetch(address, {
      method, body: body === undefined ? undefined : JSON.stringify(body),
      headers: { "Content-Type": "application/json", Accept: "text/html, application/problem+json", [header]: token },
    });
    const text = await response.text();
    if (response.ok) {
      return { ok: true, page: new DOMParser().parseFromString(text, "text/html") };
    }
    return { ok: false, problem: problemOf(text) };
  } catch {
    return { ok: false, problem: "No connection: not saved. It is tried again at the next move." };
  }
}

function problemOf(text) {
  try {
    return JSON.parse(text).detail;
  } catch {
    return "That was not taken. Reload the page.";
  }
}

/** What each place was last given, so that a part which says the same again is left alone. */
const given = new WeakMap();

/** Puts the moving parts of an answered page where they belong on this one; parts that it lacks stay as they are. */
export function show(page) {
  for (const part of page.querySelectorAll("[data-live]")) {
    const content = part.innerHTML;
    for (const place of document.querySelectorAll(`[data-live="${part.dataset.live}"]`)) {
      if (part.dataset.line) {
        place.className = part.className;
        place.dataset.line = part.dataset.line;
      }
      if (given.get(place) === content) {
        continue;
      }
      place.replaceChildren(...Array.from(part.childNodes, (node) => document.importNode(node, true)));
      for (let about = place.parentElement; about; about = about.parentElement) {
        given.delete(about);
      }
      given.set(place, content);
    }
  }
}

/** A client point in the coordinates of a drawing. */
export function onDrawing(svg, event) {
  return new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM().inverse());
}

export function isTyping(target) {
  return target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));
}
