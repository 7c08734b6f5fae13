// What the board has to save: one change on its way at a time, in the order made, each with the version that the one before
// came back with. A pose that still waits gives way to a newer one. What is not heard is sent again until it is.

import { send } from "./exchange.js";

const AGAIN_AFTER_MS = [1000, 2000, 4000, 8000, 15000];

/** A pose that is still being moved is sent once the hand rests. */
const REST_MS = 350;

/**
 * @param base address of the camera
 * @param version the stored camera's
 * @param look what is being looked at, as the server wants to know it
 * @param saved given the page that an accepted change came back with
 * @param say shows where things stand
 */
export function startSaves({ base, version: opened, look, saved, say }) {
  const waiting = [];
  const refusals = new Map();
  const choice = document.getElementById("save-choice");
  let version = opened;
  let draining = false;
  let stopped = false;
  let timer = null;
  let failures = 0;
  let problem = "";

  /** The camera's newest pose. @param gesture a drag is one move, however many poses it goes through */
  function addPose(pose, gesture) {
    const last = waiting.at(-1);
    if (last?.what === "pose" && !last.sent) {
      last.moves += gesture !== undefined && gesture === last.gesture ? 0 : 1;
      last.body = pose;
      last.gesture = gesture;
    } else {
      push("pose", pose, gesture);
    }
    if (failures === 0 && !stopped) {
      say("not saved yet", "busy");
      clearTimeout(timer);
      timer = setTimeout(drain, REST_MS);
    } else {
      tell();
    }
  }

  /** Any other change of the camera goes out at once, behind what waits already. */
  function add(what, body) {
    push(what, body);
    if (failures === 0 && !stopped) {
      drain();
    } else {
      tell();
    }
  }

  /** The token tells a change that is sent again from another one: the first answer may have been lost on its way. */
  function push(what, body, gesture) {
    refusals.delete(what);
    waiting.push({ what, body, moves: 1, gesture, token: token(), sent: false });
  }

  function token() {
    return Array.from(crypto.getRandomValues(new Uint8Array(16)), (part) => part.toString(16).padStart(2, "0")).join("");
  }

  async function drain() {
    clearTimeout(timer);
    if (draining) {
      return;
    }
    draining = true;
    try {
      while (waiting.length > 0 && !stopped && await sendFirst()) {
        // The next one goes out.
      }
    } finally {
      draining = false;
    }
  }

  /** Whether the next one may go out at once. */
  async function sendFirst() {
    const first = waiting[0];
    first.sent = true;
    if (failures === 0) {
      say("saving", "busy");
    }
    const answer = await put(first);
    if (answer.unheard) {
      const wait = AGAIN_AFTER_MS[Math.min(failures, AGAIN_AFTER_MS.length - 1)];
      failures += 1;
      problem = answer.problem;
      timer = setTimeout(drain, wait);
      tell();
      return false;
    }
    failures = 0;
    if (answer.conflict) {
      conflict(answer);
      return false;
    }
    waiting.shift();
    if (answer.ok) {
      version = answer.version;
      saved(answer.page);
    } else {
      refusals.set(first.what, answer.problem);
    }
    tell();
    return true;
  }

  /** Says how it stands with everything that was changed, and not only with what was sent last. */
  function tell() {
    const [refusal] = refusals.values();
    if (stopped) {
      say(`${count()} not saved. ${problem}`, "bad");
    } else if (failures > 0) {
      say(`${count()} not saved: ${problem}. It is tried again by itself.`, "bad");
    } else if (waiting.length > 0) {
      say(`${count()} not saved yet`, "busy");
    } else if (refusal) {
      say(refusal, "bad");
    } else {
      say("saved", "");
    }
  }

  async function put({ what, body, token }) {
    const answer = await send("PUT", `${base}/${what}`, { ...body, version, token, look: look() });
    if (!answer.ok) {
      return answer;
    }
    const told = Number(answer.page.getElementById("live-version")?.dataset.version ?? NaN);
    return Number.isNaN(told) ? { ok: false, unheard: true, problem: "the answer cannot be read" } : { ...answer, version: told };
  }

  /** Somebody else was quicker: nothing is written over until a person has chosen. */
  function conflict(answer) {
    stopped = true;
    problem = answer.problem;
    tell();
    choice.hidden = false;
    const mine = choice.querySelector("[data-keep-mine]");
    mine.hidden = answer.version === undefined;
    mine.onclick = () => {
      version = answer.version;
      waiting[0].sent = false;
      stopped = false;
      choice.hidden = true;
      drain();
    };
    choice.querySelector("[data-take-theirs]").onclick = () => {
      waiting.length = 0;
      location.reload();
    };
  }

  function count() {
    const moves = waiting.reduce((sum, change) => sum + change.moves, 0);
    return moves === 1 ? "1 move" : `${moves} moves`;
  }

  addEventListener("online", drain);
  // Back from the window in which one signed in again, nobody waits out the pause between two tries.
  addEventListener("focus", () => failures > 0 && drain());
  addEventListener("beforeunload", (event) => {
    if (waiting.length > 0) {
      event.preventDefault();
    }
  });

  return { add, addPose, waiting: () => waiting.length > 0, version: () => version };
}
