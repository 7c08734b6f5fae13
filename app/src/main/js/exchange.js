// Talks to the server for boards and sheets, and puts what comes back where it belongs on the page.

const SIGNED_OUT = { ok: false, unheard: true, problem: "you are signed out; sign in again in another window" };

/**
 * Fetches for a page that stays as it is. Whoever is signed out is answered 401 and given no session, so that asking again and
 * again never takes away the session in which they are just signing in elsewhere.
 */
export function request(address, options = {}) {
  return fetch(address, { ...options, headers: { "X-Requested-With": "XMLHttpRequest", ...options.headers } });
}

/**
 * Asks the server. What comes back is one of: ok with a page; refused, for a reason that the user can do something about; a
 * conflict with somebody else; or not heard, because the line, the server or the signing-in is gone, which may pass by itself.
 */
export async function send(method, address, body, hasFreshToken = false) {
  const header = document.querySelector('meta[name="csrf-header"]').content;
  const token = document.querySelector('meta[name="csrf-token"]');
  try {
    const response = await request(address, {
      method, body: body === undefined ? undefined : JSON.stringify(body),
      headers: { "Content-Type": "application/json", Accept: "text/html, application/problem+json", [header]: token.content },
    });
    const text = await response.text();
    if (response.status === 401) {
      return SIGNED_OUT;
    }
    if (response.status === 403 && !hasFreshToken) {
      return await freshToken(token) ? send(method, address, body, true) : SIGNED_OUT;
    }
    if (response.ok) {
      return { ok: true, page: new DOMParser().parseFromString(text, "text/html") };
    }
    if (response.status >= 500) {
      return { ok: false, unheard: true, problem: "the server could not take it" };
    }
    return { ok: false, conflict: response.status === 409, ...problemOf(text) };
  } catch {
    return { ok: false, unheard: true, problem: "no connection" };
  }
}

/** Whoever signed in again has another token; the page they are on knows it. Whether they are signed in at all. */
async function freshToken(token) {
  const response = await request(location.href, { headers: { Accept: "text/html" } });
  if (!response.ok) {
    return false;
  }
  const page = new DOMParser().parseFromString(await response.text(), "text/html");
  token.content = page.querySelector('meta[name="csrf-token"]')?.content ?? token.content;
  return true;
}

function problemOf(text) {
  try {
    const { detail, version } = JSON.parse(text);
    return { problem: detail, version };
  } catch {
    return { problem: "That was not taken. Reload the page." };
  }
}

/** What each place was last given, so that a part which says the same again is left alone. */
const given = new WeakMap();

/**
 * Puts the moving parts of an answered page where they belong on this one; parts that it lacks stay as they are.
 *
 * @param fill how a place gets its part: anew, or changed where it differs
 */
export function show(page, fill = anew) {
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
      fill(place, part);
      for (let about = place.parentElement; about; about = about.parentElement) {
        given.delete(about);
      }
      given.set(place, content);
    }
  }
}

function anew(place, part) {
  place.replaceChildren(...Array.from(part.childNodes, (node) => document.importNode(node, true)));
}

/** What is the same stays the same element: while a camera is dragged, most of a part is. */
export function patched(place, part) {
  window.morphdom(place, part.cloneNode(true), {
    childrenOnly: true, onBeforeElUpdated: (from, to) => !from.isEqualNode(to),
  });
}

/** A client point in the coordinates of a drawing. */
export function onDrawing(svg, event) {
  return new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM().inverse());
}

export function isTyping(target) {
  return target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));
}
