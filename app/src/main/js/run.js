// A run's page: keys for the answers, the countdown, the stand-in's blinking light.
import { isTyping, request } from "./exchange.js";

function startRun() {
  const step = document.getElementById("run-step");
  if (!step) {
    return;
  }
  document.addEventListener("keydown", (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)
        || (event.key === " " && event.target instanceof HTMLButtonElement)) {
      return;
    }
    const button = document.querySelector(`[data-key="${CSS.escape(event.key)}"]`);
    if (button) {
      event.preventDefault();
      button.click();
    }
  });
  countdown(document.querySelector("[data-countdown]"));
  startBench();
  followOthers(step, document.querySelector("[data-count]")?.dataset.count);
}

/** Another person on the same run: their step is shown as soon as it is stored, unless something is being typed here. */
function followOthers(step, address) {
  if (!address) {
    return;
  }
  setInterval(async () => {
    if (document.hidden || isTyping(document.activeElement)) {
      return;
    }
    try {
      const response = await request(address, { headers: { Accept: "application/json" } });
      if (response.ok && (await response.json()).events !== Number(step.dataset.events)) {
        location.reload();
      }
    } catch {
      // The connection is tried again at the next turn.
    }
  }, 4000);
}

function startBench() {
  blink(document.getElementById("bench-lamp"));
  nextChange(document.querySelector("[data-next-change]"));
}

function countdown(box) {
  if (!box) {
    return;
  }
  const expected = Number(box.dataset.expected);
  const speed = Number(box.dataset.speed || 1);
  const start = performance.now() - Number(box.dataset.elapsed) * 1000 / speed;
  const bar = box.querySelector(".time-bar");
  const words = box.querySelector("[role=timer]");
  const tick = () => {
    const elapsed = speed * (performance.now() - start) / 1000;
    bar.setAttribute("width", String(Math.min(600, 600 * elapsed / expected)));
    words.textContent = elapsed > expected ? `${clock(elapsed)}, usually ${clock(expected)}`
      : `${clock(elapsed)} of about ${clock(expected)}`;
    bar.classList.toggle("over", elapsed > expected);
    if (elapsed < 3600) {
      setTimeout(tick, 500);
    }
  };
  tick();
}

function clock(seconds) {
  return Math.floor(seconds / 60) + ":" + String(Math.floor(seconds % 60)).padStart(2, "0");
}

/** Blinks as the model does; stays lit for those who asked for less motion. */
function blink(lamp) {
  if (!lamp || matchMedia("(prefers-reduced-motion: reduce)").matches) {
    return;
  }
  const lit = Number(lamp.dataset.lit);
  const dark = Number(lamp.dataset.dark);
  if (lit === 0 || dark === 0) {
    return;
  }
  const show = (on) => {
    if (!lamp.isConnected) {
      return;
    }
    lamp.classList.toggle("dark", !on);
    setTimeout(show, on ? lit : dark, !on);
  };
  show(true);
}

/** When the stand-in's light changes of itself the bench is drawn anew; the step beside it stays under the hand. */
function nextChange(form) {
  if (!form) {
    return;
  }
  const due = performance.now() + Number(form.dataset.ms);
  const words = form.querySelector("[data-next-left]");
  const tick = () => {
    const left = due - performance.now();
    if (!form.isConnected) {
      return;
    }
    if (left <= 0) {
      drawBenchAnew(words);
    } else {
      words.textContent = Math.ceil(left / 1000) + " s";
      setTimeout(tick, Math.min(left + 30, 500));
    }
  };
  tick();
}

async function drawBenchAnew(words) {
  try {
    const response = await request(location.pathname.replace(/(\/runs\/[0-9]+).*/, "$1"), { headers: { Accept: "text/html" } });
    if (response.status === 401) {
      words.textContent = "you are signed out";
      return;
    }
    const page = new DOMParser().parseFromString(await response.text(), "text/html");
    const bench = document.querySelector(".run-bench");
    const fresh = page.querySelector(".run-bench");
    if (fresh) {
      bench.replaceWith(document.importNode(fresh, true));
      startBench();
    }
  } catch {
    words.textContent = "no connection, trying again";
    setTimeout(drawBenchAnew, 2000, words);
  }
}

startRun();
