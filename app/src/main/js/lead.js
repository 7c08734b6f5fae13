// A way of a lead is drawn by tapping its turns on the plan. This file finds points and shows them; what they come to, the server says.

import { figure } from "./figures.js";

const SVG = "http://www.w3.org/2000/svg";

export function startDrawnLead() {
  const list = document.getElementById("turns");
  const plan = document.getElementById("lead-plan");
  if (!list || !plan) {
    return;
  }
  const rows = [...list.children];
  const from = document.getElementById("draw-from");
  const height = document.getElementById("draw-height");
  const line = document.getElementById("drawn-line");
  const marks = document.getElementById("drawn-turns");
  const details = list.closest("details");
  const add = document.getElementById("add-turn");
  const fields = (row) => [...row.querySelectorAll("input")];
  const typed = (field) => figure(field.value);
  const set = () => rows.filter((row) => !row.classList.contains("away"));

  function show() {
    const socket = from.selectedOptions[0];
    const turns = set().map(fields).filter((row) => row.every((field) => field.value !== "" && Number.isFinite(typed(field))));
    const points = turns.map(([x, y]) => [typed(x), -typed(y)]);
    const px = Number(line.dataset.px);
    line.setAttribute("d", points.length && socket?.dataset.x
        ? `M${socket.dataset.x} ${socket.dataset.y}` + points.map(([x, y]) => `L${x} ${y}`).join("")
            + `L${list.dataset.x} ${list.dataset.y}` : "");
    marks.replaceChildren(...points.map(([x, y], i) => mark(x, y, i + 1, px)));
    add.disabled = set().length === rows.length;
  }

  function mark(x, y, no, px) {
    const group = document.createElementNS(SVG, "g");
    group.setAttribute("class", "drawn-turn");
    group.setAttribute("transform", `translate(${x} ${y}) scale(${px})`);
    const circle = document.createElementNS(SVG, "circle");
    circle.setAttribute("r", "9");
    const text = document.createElementNS(SVG, "text");
    text.setAttribute("text-anchor", "middle");
    text.setAttribute("y", "4");
    text.setAttribute("font-size", "12");
    text.textContent = String(no);
    group.append(circle, text);
    return group;
  }

  function next(values) {
    const row = rows.find((each) => each.classList.contains("away"));
    if (!row) {
      return null;
    }
    row.classList.remove("away");
    fields(row).forEach((field, i) => {
      field.value = values[i];
    });
    show();
    return row;
  }

  plan.addEventListener("click", (event) => {
    if (!details.open) {
      return;
    }
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(plan.getScreenCTM().inverse());
    next([at.x.toFixed(2), (-at.y).toFixed(2), height.value]);
  });
  add.addEventListener("click", () => {
    const row = next(["", "", height.value]);
    fields(row)[0].focus();
  });
  rows.forEach((row, i) => row.querySelector(".drop").addEventListener("click", () => {
    // What follows moves up, so that the numbers stay those of the marks.
    for (let each = i; each < rows.length; each++) {
      const after = rows[each + 1];
      const away = !after || after.classList.contains("away");
      rows[each].classList.toggle("away", away);
      fields(rows[each]).forEach((field, axis) => {
        field.value = away ? "" : fields(after)[axis].value;
      });
      if (away) {
        break;
      }
    }
    show();
    add.focus();
  }));
  list.addEventListener("input", show);
  from.addEventListener("change", show);
  details.addEventListener("toggle", () => {
    plan.classList.toggle("being-drawn", details.open);
    show();
  });
  plan.classList.toggle("being-drawn", details.open);
  show();
}
