// Waits for a file that is being made, says for how long, and opens it.

import { request } from "./exchange.js";

const LOOK_EVERY_MS = 700;
const ACCEPTED = 202;

const state = document.getElementById("making-state");
const begun = performance.now();
look();

async function look() {
  try {
    const answer = await request(location.href, { method: "HEAD" });
    if (answer.ok && answer.status !== ACCEPTED) {
      state.textContent = "It is made.";
      document.querySelector("#making progress").hidden = true;
      location.replace(location.href);
      return;
    }
    if (answer.status === 401) {
      state.textContent = "You are signed out. Sign in again.";
      return;
    }
    state.textContent = answer.ok
      ? `${answer.headers.get("X-Progress") ?? ""} ${Math.round((performance.now() - begun) / 1000)} s so far.`.trim()
      : "It could not be made. Go back and try again.";
    if (answer.ok) {
      setTimeout(look, LOOK_EVERY_MS);
    }
  } catch {
    state.textContent = "No connection, looking again.";
    setTimeout(look, LOOK_EVERY_MS);
  }
}
