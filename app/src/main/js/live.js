// A test's page: the stand-in's live picture, after a wait, with a clock and somebody walking through; or a watch for a real one.

import { startTiming } from "./timing.js";

function startLive() {
  const picture = document.getElementById("live-picture");
  if (!picture) {
    return;
  }
  const wait = document.getElementById("live-wait");
  const left = document.getElementById("live-left");
  const due = performance.now() + Number(picture.dataset.wait) * 1000;
  let shown = false;
  const show = () => {
    if (!shown) {
      shown = true;
      wait.hidden = true;
      picture.dataset.shown = "true";
      play();
    }
  };
  document.getElementById("live-skip").addEventListener("click", show);
  const tick = () => {
    const seconds = (due - performance.now()) / 1000;
    if (seconds <= 0) {
      show();
    } else {
      left.textContent = Math.ceil(seconds) + " s";
      setTimeout(tick, 200);
    }
  };
  tick();
}

function play() {
  const frames = Array.from(document.querySelectorAll("#live-frames li"), (item) => ({
    at: Number(item.dataset.at), recorded: item.dataset.rec === "true", body: item.dataset.body ?? "", head: item.dataset.head ?? "",
  }));
  const body = document.getElementById("walker-body");
  const head = document.getElementById("walker-head");
  const rec = document.getElementById("live-rec");
  const clock = document.getElementById("live-clock");
  const length = frames.length === 0 ? 1 : frames[frames.length - 1].at + 1.5;
  const start = performance.now();
  const paint = () => {
    const at = ((performance.now() - start) / 1000) % length;
    const frame = frames.findLast((candidate) => candidate.at <= at);
    if (frame) {
      body.setAttribute("d", frame.body);
      head.setAttribute("d", frame.head);
      rec.classList.toggle("on", frame.recorded);
    }
    clock.textContent = new Date().toLocaleTimeString("en-GB");
    requestAnimationFrame(paint);
  };
  paint();
}

startLive();
startTiming();
