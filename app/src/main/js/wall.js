// The height of a camera is drawn along its wall, by pointer or keys; what each height comes to stands in the page's own table.

import { startDrawnLead } from "./lead.js";

startHeights();
startDrawnLead();

function startHeights() {
  const range = document.getElementById("height");
  if (!range) {
    return;
  }
  const rows = [...document.querySelectorAll("#heights tbody tr")].reverse();
  const wall = document.getElementById("elevation");
  const hang = document.getElementById("hang");
  const marks = [...document.querySelectorAll(".height-mark")];
  const says = [...document.querySelectorAll(".curve-says")];
  const planned = Number(range.dataset.planned);
  const save = document.getElementById("height-save");
  const field = document.getElementById("height-taken");
  const words = document.getElementById("height-says");

  function show() {
    const row = rows[Number(range.value)];
    hang.setAttribute("transform", `translate(${hang.dataset.x} ${row.dataset.y})`);
    marks.forEach((mark) => mark.setAttribute("transform", `translate(0 ${row.dataset.y})`));
    [...row.querySelectorAll("td.said")].forEach((cell, i) => {
      says[i].replaceChildren(...[...cell.childNodes].map((each) => each.cloneNode(true)));
    });
    const metres = row.querySelector("th").textContent;
    words.textContent = `${metres}, ${row.dataset.over}`;
    range.setAttribute("aria-valuetext", words.textContent);
    field.value = row.dataset.height;
    const same = Number(range.value) === planned;
    save.disabled = same;
    save.textContent = same ? "Planned here" : `Hang it at ${metres}`;
    wall.classList.toggle("elsewhere", !same);
  }

  function nearest(event) {
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(wall.getScreenCTM().inverse());
    const far = rows.map((row) => Math.abs(Number(row.dataset.y) - at.y));
    range.value = String(far.indexOf(Math.min(...far)));
    show();
  }

  let held = false;
  wall.addEventListener("pointerdown", (event) => {
    held = true;
    wall.setPointerCapture(event.pointerId);
    nearest(event);
    event.preventDefault();
  });
  wall.addEventListener("pointermove", (event) => held && nearest(event));
  wall.addEventListener("pointerup", () => {
    held = false;
    range.focus();
  });
  wall.addEventListener("pointercancel", () => {
    held = false;
  });
  range.addEventListener("input", show);
  show();
}
