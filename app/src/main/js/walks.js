// The two ends of a walk of one's own are tapped on the plan; the fields beside it hold them in metres and can be typed as well.

import { figure } from "./figures.js";

startOwnWalk();

function startOwnWalk() {
  const plan = document.getElementById("walk-plan");
  const ends = document.getElementById("own-ends");
  const line = document.getElementById("own-walk");
  if (!plan || !ends || !line) {
    return;
  }
  const fields = ["fromX", "fromY", "toX", "toY"].map((name) => document.getElementById(name));
  let next = 0;

  function show() {
    const [fromX, fromY, toX, toY] = fields.map((field) => figure(field.value));
    line.setAttribute("d", [fromX, fromY, toX, toY].every(Number.isFinite) ? `M${fromX} ${-fromY}L${toX} ${-toY}` : "");
  }

  plan.addEventListener("click", (event) => {
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(plan.getScreenCTM().inverse());
    ends.closest("details").open = true;
    fields[next].value = at.x.toFixed(2);
    fields[next + 1].value = (-at.y).toFixed(2);
    next = next === 0 ? 2 : 0;
    show();
  });
  fields.forEach((field) => field.addEventListener("input", show));
  show();
}
