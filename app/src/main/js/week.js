// A day of the week is played on the plan: what came, when, and by which way stands in the page's own table.

startWeek();
startChoices();

// One key takes one of the settings, another takes it back.
function startChoices() {
  const buttons = [...document.querySelectorAll(".quiet-page button[data-key]")];
  document.addEventListener("keydown", (event) => {
    const typing = event.target.closest("input, select, textarea") || event.ctrlKey || event.metaKey || event.altKey;
    const button = typing ? null : buttons.find((each) => each.dataset.key === event.key && !each.disabled);
    if (button) {
      button.click();
    }
  });
}

function startWeek() {
  const table = document.getElementById("day-lines");
  const button = document.getElementById("play");
  const plan = document.getElementById("week-plan");
  if (!table || !button || !plan) {
    return;
  }
  const SVG = "http://www.w3.org/2000/svg";
  const DAY_S = 86400;
  // A minute of the day in a twentieth of a second; what moves is shown at that pace but long enough to be seen.
  const PACE = 1200;
  const LEAST_SEEN_MS = 1200;
  const px = Number(plan.dataset.px);
  const movers = document.getElementById("movers");
  const clock = document.getElementById("clock");
  const rows = [...table.querySelectorAll("tbody tr")].map((row) => ({ row, at: Number(row.dataset.at), track: row.dataset.track,
    kind: row.dataset.kind }));
  let playing = 0;
  let began = 0;
  let from = 0;
  let shown = 0;

  function show(second) {
    const minutes = Math.floor(second / 60);
    clock.textContent = `${String(Math.floor(minutes / 60)).padStart(2, "0")}:${String(minutes % 60).padStart(2, "0")}`;
  }

  function send(line, now) {
    rows.forEach((each) => each.row.classList.toggle("now", each === line));
    line.row.scrollIntoView({ block: "nearest" });
    if (!line.track) {
      return;
    }
    const way = document.createElementNS(SVG, "path");
    way.setAttribute("d", line.track);
    const dot = document.createElementNS(SVG, "circle");
    dot.setAttribute("class", `mover ${line.kind}`);
    dot.setAttribute("r", String(6 * px));
    dot.setAttribute("stroke-width", String(2 * px));
    movers.append(dot);
    const length = way.getTotalLength();
    const step = (time) => {
      const share = Math.min(1, (time - now) / LEAST_SEEN_MS);
      const at = way.getPointAtLength(share * length);
      dot.setAttribute("cx", String(at.x));
      dot.setAttribute("cy", String(at.y));
      if (share < 1 && playing) {
        requestAnimationFrame(step);
      } else {
        dot.remove();
      }
    };
    requestAnimationFrame(step);
  }

  function tick(time) {
    if (!playing) {
      return;
    }
    began = began || time;
    const second = Math.min(DAY_S, from + (time - began) / 1000 * PACE);
    show(second);
    while (shown < rows.length && rows[shown].at <= second) {
      send(rows[shown], time);
      shown++;
    }
    if (second < DAY_S) {
      requestAnimationFrame(tick);
    } else {
      stop();
      from = 0;
      shown = 0;
    }
  }

  function stop() {
    playing = 0;
    button.textContent = "Play the day";
  }

  button.addEventListener("click", () => {
    if (playing) {
      const [hours, minutes] = clock.textContent.split(":").map(Number);
      from = hours * 3600 + minutes * 60;
      stop();
      return;
    }
    playing = 1;
    began = 0;
    button.textContent = "Hold it";
    requestAnimationFrame(tick);
  });
}
