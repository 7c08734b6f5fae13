// A day's curve is drawn by dragging over its bars; the fields beside it hold the numbers and can be typed as well.

import { figure } from "./figures.js";

startCurve();

function startCurve() {
  const form = document.getElementById("curve");
  if (!form) {
    return;
  }
  const MOST = Number(form.dataset.most);
  const HEIGHT = 140;
  const WIDTH = 480;
  const HOURS = 24;
  const undo = document.getElementById("undraw");
  const said = document.getElementById("drawn");
  const charts = [...form.querySelectorAll("svg[data-field]")];
  const fields = charts.map((chart) => Array.from({ length: HOURS }, (_, hour) => form.elements[chart.dataset.field + hour]));
  const before = [];

  function number(field) {
    const value = figure(field.value);
    return Number.isFinite(value) && value > 0 ? value : 0;
  }

  function show() {
    charts.forEach((chart, i) => {
      chart.querySelectorAll(".curve-bar").forEach((bar, hour) => {
        const height = HEIGHT * Math.min(1, number(fields[i][hour]) / MOST);
        bar.setAttribute("y", String(HEIGHT - height));
        bar.setAttribute("height", String(height));
      });
      const sum = fields[i].reduce((all, field) => all + number(field), 0);
      const odd = fields[i].some((field) => field.value.trim() !== "" && Number.isNaN(figure(field.value)));
      form.querySelector(`[data-sum="${chart.dataset.field}"]`).textContent
        = odd ? "not all are numbers" : `${Number(sum.toFixed(1))} times a day`;
    });
    undo.disabled = before.length === 0;
  }

  function remember() {
    before.push(fields.map((of) => of.map((field) => field.value)));
    said.textContent = "Not kept yet.";
  }

  function takeBack() {
    const last = before.pop();
    last?.forEach((of, i) => of.forEach((value, hour) => {
      fields[i][hour].value = value;
    }));
    show();
  }

  charts.forEach((chart, i) => {
    let lastHour = -1;
    function place(event) {
      const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(chart.getScreenCTM().inverse());
      const hour = Math.min(HOURS - 1, Math.max(0, Math.floor(at.x / WIDTH * HOURS)));
      const value = MOST * Math.min(1, Math.max(0, 1 - at.y / HEIGHT));
      const step = MOST / 100;
      const text = String(Number((Math.round(value / step) * step).toFixed(3)));
      // A quick drag skips hours; those between are drawn too.
      const from = lastHour < 0 ? hour : lastHour;
      for (let each = Math.min(from, hour); each <= Math.max(from, hour); each++) {
        if (each !== from || each === hour) {
          fields[i][each].value = text;
        }
      }
      lastHour = hour;
      show();
    }
    chart.addEventListener("pointerdown", (event) => {
      if (event.button === 0) {
        event.preventDefault();
        remember();
        chart.setPointerCapture(event.pointerId);
        lastHour = -1;
        place(event);
      }
    });
    chart.addEventListener("pointermove", (event) => {
      if (chart.hasPointerCapture(event.pointerId)) {
        place(event);
      }
    });
  });
  fields.flat().forEach((field) => {
    field.addEventListener("input", () => {
      said.textContent = "Not kept yet.";
      show();
    });
    // Up and down turn the hour by a hundredth of the scale.
    field.addEventListener("keydown", (event) => {
      const turn = { ArrowUp: 1, ArrowDown: -1 }[event.key];
      if (turn) {
        event.preventDefault();
        remember();
        field.value = String(Number(Math.max(0, number(field) + turn * MOST / 100).toFixed(3)));
        show();
      }
    });
  });
  undo.addEventListener("click", takeBack);
  document.addEventListener("keydown", (event) => {
    if (event.key === "u" && !event.target.closest("input, select, textarea") && !event.ctrlKey && !event.metaKey && !event.altKey) {
      takeBack();
    }
  });
  show();
}
