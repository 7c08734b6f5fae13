// Better spots: asked for, drawn on the plan, tried with one key and undone with another.

import { send } from "./exchange.js";

const SVG = "http://www.w3.org/2000/svg";

export function startSpots({ base, poseNow, tryPose, isTyping, pxInMetres }) {
  const list = document.getElementById("spots-list");
  const state = document.getElementById("spots-state");
  const onPlan = document.getElementById("spots-on-plan");
  if (!list) {
    return;
  }
  let before = null;

  for (const button of document.querySelectorAll("[data-find]")) {
    button.addEventListener("click", () => find(button));
  }

  async function find(button) {
    button.disabled = true;
    const begun = performance.now();
    const tick = setInterval(() => {
      state.textContent = `Trying the walls, ${((performance.now() - begun) / 1000).toFixed(0)} s so far.`;
    }, 500);
    state.textContent = "Trying the walls.";
    const answer = await send("POST", `${base}/${button.dataset.find}`, {});
    clearInterval(tick);
    button.disabled = false;
    if (!answer.ok) {
      state.textContent = answer.unheard ? `Not looked for: ${answer.problem}. Ask again.` : answer.problem;
      return;
    }
    state.textContent = `Done in ${((performance.now() - begun) / 1000).toFixed(1)} s.`;
    list.replaceChildren(document.importNode(answer.page.getElementById("spots-answer"), true));
    before = null;
    drawOnPlan();
  }

  function spots() {
    return Array.from(list.querySelectorAll(".spots li[data-x]"));
  }

  function drawOnPlan() {
    onPlan.replaceChildren(...spots().map((spot, index) => {
      const mark = document.createElementNS(SVG, "g");
      mark.setAttribute("class", "spot-on-plan");
      mark.setAttribute("transform", `translate(${spot.dataset.x} ${spot.dataset.y}) scale(${pxInMetres})`);
      const beak = document.createElementNS(SVG, "path");
      beak.setAttribute("d", "M-6 -9L0 -24L6 -9Z");
      beak.setAttribute("transform", `rotate(${spot.dataset.heading})`);
      const disc = document.createElementNS(SVG, "circle");
      disc.setAttribute("r", "11");
      const number = document.createElementNS(SVG, "text");
      number.textContent = String(index + 1);
      number.setAttribute("y", "5");
      number.setAttribute("text-anchor", "middle");
      number.setAttribute("font-size", "14");
      mark.append(beak, disc, number);
      return mark;
    }));
  }

  function attempt(index) {
    const spot = spots()[index];
    if (!spot?.dataset.height) {
      return;
    }
    before ??= poseNow();
    tryPose({
      x: Number(spot.dataset.x), y: Number(spot.dataset.y), heightM: Number(spot.dataset.height),
      headingDeg: Number(spot.dataset.heading), tiltDeg: Number(spot.dataset.tilt),
    });
    state.textContent = `Spot ${index + 1} is being tried; u goes back.`;
  }

  list.addEventListener("click", (event) => {
    const button = event.target.closest("[data-try-spot]");
    if (button) {
      attempt(Number(button.dataset.key) - 1);
    }
  });

  document.addEventListener("keydown", (event) => {
    if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) {
      return;
    }
    if (/^[1-3]$/.test(event.key)) {
      attempt(Number(event.key) - 1);
    } else if (event.key === "f") {
      document.getElementById("take-fewest")?.requestSubmit();
    } else if (event.key === "u" && before) {
      tryPose(before);
      before = null;
      state.textContent = "Back where it was.";
    }
  });
}
