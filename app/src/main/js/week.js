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
  // Seconds of the day in a second; what moves is shown long enough to be seen.
  const pace = document.getElementById("pace");
  const LEAST_SEEN_MS = 1200;
  const px = Number(plan.dataset.px);
  const movers = document.getElementById("movers");
  const clock = document.getElementById("clock");
  const rows = [...table.querySelectorAll("tbody tr")].map((row) => ({ row, at: Number(row.dataset.at), track: row.dataset.track,
    kind: row.dataset.kind, passes: row.dataset.passes }));
  const pictures = [...document.querySelectorAll(".played-picture")].map((figure) => ({ over: figure.querySelector(".passing"),
    tracks: new Map([...figure.querySelectorAll("[data-key]")].map((pass) => [pass.dataset.key, moments(pass.dataset.track)])) }));
  let playing = 0;
  let began = 0;
  let from = 0;
  let shown = 0;

  // Feet, head and breadth at each moment; null where it is not seen.
  function moments(track) {
    return track.split(" ").map((moment) => (moment === "-" ? null : moment.split(",").map(Number)));
  }

  function place(line, track, share) {
    const at = share * (track.length - 1);
    const from = track[Math.floor(at)];
    const to = track[Math.ceil(at)];
    line.toggleAttribute("data-away", !from || !to);
    if (from && to) {
      const [x1, y1, x2, y2, breadth] = from.map((value, i) => value + (to[i] - value) * (at - Math.floor(at)));
      Object.entries({ x1, y1, x2, y2, "stroke-width": breadth }).forEach(([name, value]) => line.setAttribute(name, String(value)));
    }
  }

  // What passes goes through every picture that sees it, at the same pace as on the plan.
  function pass(line) {
    return pictures.filter((picture) => picture.tracks.has(line.passes)).map((picture) => {
      const figure = document.createElementNS(SVG, "line");
      figure.setAttribute("class", line.kind);
      picture.over.append(figure);
      return { figure, track: picture.tracks.get(line.passes) };
    });
  }

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
    const seen = pass(line);
    const step = (time) => {
      const share = Math.min(1, (time - now) / LEAST_SEEN_MS);
      const at = way.getPointAtLength(share * length);
      dot.setAttribute("cx", String(at.x));
      dot.setAttribute("cy", String(at.y));
      seen.forEach(({ figure, track }) => place(figure, track, share));
      if (share < 1 && playing) {
        requestAnimationFrame(step);
      } else {
        dot.remove();
        seen.forEach(({ figure }) => figure.remove());
      }
    };
    requestAnimationFrame(step);
  }

  function tick(time) {
    if (!playing) {
      return;
    }
    began = began || time;
    const second = Math.min(DAY_S, from + (time - began) / 1000 * Number(pace.value));
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

  pace.addEventListener("change", () => {
    const [hours, minutes] = (clock.textContent || "0:0").split(":").map(Number);
    from = hours * 3600 + minutes * 60;
    began = 0;
  });
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
