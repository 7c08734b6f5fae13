// Somebody walks a path: one figure on the plan and in the picture, moved by slider, by dragging or by itself.

import { onDrawing } from "./exchange.js";

const WORDS = {
  asleep: "the camera sleeps", watching: "the camera watches and keeps nothing", waking: "the camera wakes up",
  recording: "the camera records",
};

export function startWalk({ plan }) {
  const slider = document.getElementById("walk-slider");
  const walker = document.getElementById("walker");
  const now = document.getElementById("walk-now");
  const play = document.getElementById("walk-play");
  if (!slider) {
    return;
  }
  let frames = [];
  let playing = null;

  function take() {
    frames = Array.from(document.querySelectorAll("#walk-frames li"), (item) => ({
      at: Number(item.dataset.at), x: Number(item.dataset.x), y: Number(item.dataset.y), doing: item.dataset.doing,
      density: item.dataset.density, body: item.dataset.body ?? "", head: item.dataset.head ?? "",
    }));
    slider.max = String(Math.max(0, frames.length - 1));
    show(Math.min(Number(slider.value), frames.length - 1));
  }

  function show(index) {
    const frame = frames[index];
    if (!frame) {
      walker.setAttribute("display", "none");
      return;
    }
    slider.value = String(index);
    walker.removeAttribute("display");
    walker.setAttribute("class", `walker-on-plan ${frame.doing}`);
    walker.setAttribute("transform", `translate(${frame.x} ${frame.y}) scale(${walker.dataset.scale})`);
    const [body, head] = document.querySelectorAll(".picture-walker path");
    body.setAttribute("d", frame.body);
    head.setAttribute("d", frame.head);
    now.textContent = `After ${frame.at.toFixed(1)} s ${WORDS[frame.doing]}; face ${frame.density}.`;
    now.className = `walk-now ${frame.doing}`;
  }

  slider.addEventListener("input", () => {
    stop();
    show(Number(slider.value));
  });

  function stop() {
    cancelAnimationFrame(playing);
    playing = null;
    play.textContent = "Walk";
  }

  play.addEventListener("click", () => {
    if (playing) {
      stop();
      return;
    }
    play.textContent = "Stop";
    const start = performance.now();
    const step = () => {
      const seconds = (performance.now() - start) / 1000;
      const index = frames.findLastIndex((frame) => frame.at <= seconds);
      show(Math.max(0, index));
      if (seconds > frames[frames.length - 1].at) {
        stop();
      } else {
        playing = requestAnimationFrame(step);
      }
    };
    playing = requestAnimationFrame(step);
  });

  let dragging = false;
  walker.addEventListener("pointerdown", (event) => {
    dragging = true;
    stop();
    plan.dataset.held = "true";
    walker.setPointerCapture(event.pointerId);
    event.preventDefault();
  });
  walker.addEventListener("pointermove", (event) => {
    if (dragging) {
      const at = onDrawing(plan, event);
      let nearest = 0;
      frames.forEach((frame, index) => {
        if (Math.hypot(frame.x - at.x, frame.y - at.y) < Math.hypot(frames[nearest].x - at.x, frames[nearest].y - at.y)) {
          nearest = index;
        }
      });
      show(nearest);
    }
  });
  for (const end of ["pointerup", "pointercancel"]) {
    walker.addEventListener(end, () => {
      dragging = false;
      plan.dataset.held = "false";
    });
  }
  document.addEventListener("board-shown", take);
  take();
}
