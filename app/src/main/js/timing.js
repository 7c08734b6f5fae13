// Times what a tester sees, with two large buttons: from the tap to the picture, from the step to the ring. Fills the next empty field.

export function startTiming() {
  const start = document.getElementById("timing-start");
  if (!start) {
    return;
  }
  const stop = document.getElementById("timing-stop");
  const shown = document.getElementById("timing-shown");
  const timed = document.getElementById("timed");
  const fields = Array.from(document.querySelectorAll("#seen-form #seconds, #seen-form [id^=ring]"));
  let since = null;

  function tick() {
    if (since !== null) {
      shown.textContent = ((performance.now() - since) / 1000).toFixed(1) + " s";
      requestAnimationFrame(tick);
    }
  }

  start.addEventListener("click", () => {
    since = performance.now();
    stop.disabled = false;
    stop.focus();
    tick();
  });
  stop.addEventListener("click", () => {
    const seconds = ((performance.now() - since) / 1000).toFixed(1);
    since = null;
    stop.disabled = true;
    shown.textContent = seconds + " s";
    const field = fields.find((each) => each.value === "") ?? fields[fields.length - 1];
    field.value = seconds;
    field.dataset.byPhone = seconds;
    mark();
    start.focus();
  });
  for (const field of fields) {
    field.addEventListener("input", mark);
  }

  /** It was timed by the phone only if every figure still stands as the phone took it. */
  function mark() {
    const typed = fields.some((field) => field.value !== "" && field.value !== field.dataset.byPhone);
    timed.value = typed ? "" : "phone";
  }
}
