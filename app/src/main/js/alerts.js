// The week of the house is painted by hour: by pointer, finger or keys. Nothing is kept before the form is sent.

startPainting();

function startPainting() {
  const table = document.getElementById("paint");
  const signs = document.getElementById("signs");
  if (!table || !signs) {
    return;
  }
  const NAMES = { h: "home", a: "away", n: "night" };
  const HOURS_A_DAY = 24;
  const hours = [...table.querySelectorAll("button.hour")];
  const brushes = [...document.querySelectorAll(".brush")];
  const undo = document.getElementById("unpaint");
  const said = document.getElementById("painted");
  const kept = signs.value;
  const before = [];
  let week = [...signs.value];
  let brush = "a";
  let at = 0;
  let stroke = null;

  function show() {
    hours.forEach((hour, i) => {
      hour.className = `hour sign-${week[i]}`;
      hour.setAttribute("aria-label", `${hour.dataset.label}: ${NAMES[week[i]]}`);
      hour.tabIndex = i === at ? 0 : -1;
    });
    signs.value = week.join("");
    undo.disabled = before.length === 0;
    said.textContent = signs.value === kept ? "" : "Not kept yet.";
  }

  function choose(sign) {
    brush = sign;
    brushes.forEach((each) => each.setAttribute("aria-checked", String(each.dataset.sign === sign)));
  }

  function remember() {
    before.push([...week]);
  }

  function paint(i) {
    week[i] = brush;
    show();
  }

  function take() {
    if (before.length) {
      week = before.pop();
      show();
    }
  }

  function go(to, painting) {
    if (to < 0 || to >= hours.length) {
      return;
    }
    at = to;
    if (painting) {
      remember();
      week[to] = brush;
    }
    show();
    hours[to].focus();
  }

  // What lies between two hours of a drag, as a rectangle of days and hours.
  function stretch(from, to) {
    const days = [Math.floor(from / HOURS_A_DAY), Math.floor(to / HOURS_A_DAY)].sort((a, b) => a - b);
    const times = [from % HOURS_A_DAY, to % HOURS_A_DAY].sort((a, b) => a - b);
    week = [...before[before.length - 1]];
    for (let day = days[0]; day <= days[1]; day++) {
      for (let time = times[0]; time <= times[1]; time++) {
        week[day * HOURS_A_DAY + time] = brush;
      }
    }
    show();
  }

  table.addEventListener("pointerdown", (event) => {
    const hour = event.target.closest("button.hour");
    if (hour && event.button === 0) {
      event.preventDefault();
      at = Number(hour.dataset.hour);
      stroke = at;
      remember();
      paint(at);
      hour.focus();
    }
  });
  table.addEventListener("pointermove", (event) => {
    if (stroke === null) {
      return;
    }
    const hour = document.elementFromPoint(event.clientX, event.clientY)?.closest("button.hour");
    if (hour && table.contains(hour)) {
      stretch(stroke, Number(hour.dataset.hour));
    }
  });
  ["pointerup", "pointercancel"].forEach((name) => document.addEventListener(name, () => {
    stroke = null;
  }));
  table.addEventListener("focusin", (event) => {
    at = Number(event.target.closest("button.hour")?.dataset.hour ?? at);
  });
  table.addEventListener("keydown", (event) => {
    const steps = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: HOURS_A_DAY, ArrowUp: -HOURS_A_DAY };
    if (event.key in steps) {
      event.preventDefault();
      go(at + steps[event.key], event.shiftKey);
    } else if (event.key === " " || event.key === "Enter") {
      event.preventDefault();
      remember();
      paint(at);
    }
  });
  document.addEventListener("keydown", (event) => {
    if (event.target.closest("input, select, textarea") || event.ctrlKey || event.metaKey || event.altKey) {
      return;
    }
    if (event.key in NAMES) {
      choose(event.key);
    } else if (event.key === "u") {
      take();
    }
  });
  brushes.forEach((each) => each.addEventListener("click", () => choose(each.dataset.sign)));
  undo.addEventListener("click", take);
  show();
}
