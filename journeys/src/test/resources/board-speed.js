// Drags the camera round a small circle, a pose every 60 ms, and takes the time from each pointer event to the frame that
// paints the promises it led to; after whole turns it hangs where it hung. Poses that a newer one overtook have no time of their
// own: they were never asked about.
async ({ poses, turn, everyMs }) => {
  const perch = document.getElementById("perch");
  const plan = perch.ownerSVGElement;
  const started = new DOMPoint(perch.transform.baseVal.getItem(0).matrix.e, perch.transform.baseVal.getItem(0).matrix.f);
  const times = [];
  document.addEventListener("board-judged", (event) => {
    const { since } = event.detail;
    if (since) {
      requestAnimationFrame(() => {
        const channel = new MessageChannel();
        channel.port1.onmessage = () => times.push(performance.now() - since);
        channel.port2.postMessage("painted");
      });
    }
  });
  for (let i = 1; i <= poses; i++) {
    await new Promise((next) => setTimeout(next, everyMs));
    const angle = (i * 2 * Math.PI) / turn;
    const at = new DOMPoint(started.x + 0.6 * Math.sin(angle), started.y + 0.6 * (1 - Math.cos(angle)))
      .matrixTransform(plan.getScreenCTM());
    perch.dispatchEvent(new PointerEvent("pointermove", { clientX: at.x, clientY: at.y, pointerId: 1, bubbles: true }));
  }
  await new Promise((next) => setTimeout(next, 500));
  return times;
}
