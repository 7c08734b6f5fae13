// Whether we are still signed in. A session that ends while a form is being filled in asks for the sign-in on top of the page, and
// everything that was typed or chosen stays where it is.

import { request } from "./exchange.js";

const SURE_FOR_MS = 300_000;
let heardAt = performance.now();

export function startStill() {
  if (!document.querySelector(".topnav")) {
    return;
  }
  document.addEventListener("visibilitychange", () => {
    if (!document.hidden && !isSure()) {
      ask();
    }
  });
  document.addEventListener("submit", (event) => {
    const form = event.target;
    if (form.method !== "post" || isSure() || event.defaultPrevented) {
      return;
    }
    event.preventDefault();
    ask(true).then(() => form.requestSubmit(event.submitter));
  }, true);
}

function isSure() {
  return performance.now() - heardAt < SURE_FOR_MS;
}

/**
 * Comes back once we are signed in, or when nobody can be asked: then the form goes its usual way.
 *
 * @param {boolean} sending whether a form waits to be sent
 */
async function ask(sending = false) {
  try {
    const response = await request("/alive");
    if (response.status === 401) {
      await signInOnTop(sending);
    }
  } catch {
    // No line: what happens to the form is told by whoever cannot send it.
  }
  heardAt = performance.now();
}

function signInOnTop(sending) {
  document.getElementById("sign-in-again")?.remove();
  const dialog = document.createElement("dialog");
  dialog.id = "sign-in-again";
  dialog.setAttribute("aria-labelledby", "sign-in-again-title");
  const form = document.createElement("form");
  form.className = "stack";
  form.noValidate = true;
  const title = document.createElement("h2");
  title.id = "sign-in-again-title";
  title.textContent = "Sign in again";
  const words = document.createElement("p");
  words.textContent = "Your day's session has ended. What you typed is still on the page below"
    + (sending ? ", and is sent once you are back." : ".");
  const fault = document.createElement("p");
  fault.className = "fault";
  fault.setAttribute("role", "alert");
  const button = document.createElement("button");
  button.className = "btn-ink";
  button.textContent = "Sign in";
  form.append(title, words, field("again-email", "E-mail", "email", "username"),
    field("again-password", "Password", "password", "current-password"), fault, button);
  dialog.append(form);
  document.body.append(dialog);
  dialog.addEventListener("cancel", (event) => event.preventDefault());
  dialog.showModal();
  return new Promise((done) => {
    form.addEventListener("submit", async (event) => {
      event.preventDefault();
      event.stopPropagation();
      button.disabled = true;
      fault.textContent = await signIn(form.querySelector("#again-email").value, form.querySelector("#again-password").value);
      button.disabled = false;
      if (!fault.textContent) {
        dialog.close();
        dialog.remove();
        done();
      }
    });
  });
}

function field(id, label, type, autocomplete) {
  const box = document.createElement("div");
  box.className = "field";
  const words = document.createElement("label");
  words.htmlFor = id;
  words.textContent = label;
  const input = document.createElement("input");
  Object.assign(input, { id, type, autocomplete, className: "form-control" });
  box.append(words, input);
  return box;
}

/** Empty when it did; else why not. */
async function signIn(email, password) {
  try {
    const door = await page("/sign-in");
    const answer = await fetch("/sign-in", {
      method: "POST", body: new URLSearchParams({ email, password, _csrf: token(door.page) }),
    });
    const wait = new URL(answer.url).searchParams.get("wait");
    if (wait) {
      return `Too many wrong tries. Wait ${wait} s, then try again.`;
    }
    if (answer.url.includes("/sign-in")) {
      return "E-mail or password is wrong.";
    }
    const fresh = token((await page(location.href)).page);
    document.querySelector('meta[name="csrf-token"]').content = fresh;
    document.querySelectorAll('input[name="_csrf"]').forEach((input) => {
      input.value = fresh;
    });
    return "";
  } catch {
    return "No connection. Try again in a moment.";
  }
}

async function page(address) {
  const response = await fetch(address, { headers: { Accept: "text/html" } });
  return { page: new DOMParser().parseFromString(await response.text(), "text/html") };
}

function token(page) {
  return page.querySelector('meta[name="csrf-token"]').content;
}
