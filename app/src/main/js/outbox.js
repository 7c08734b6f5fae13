// The page's side of work without a line: what is kept here is counted on every page, sent once there is a line, and shown with both
// sides where it was not taken.

import { request } from "./exchange.js";

const TRY_AGAIN_MS = 20_000;
/** Pages of a household that are worked with on site. */
const ALONG = ["brief", "survey", "ready", "ready/kit", "pair", "mount", "tune", "share", "prove", "care"];

export function startOutbox() {
  const person = document.querySelector('meta[name="person"]');
  if (!("serviceWorker" in navigator) || !person) {
    if ("serviceWorker" in navigator && document.querySelector('form[action="/sign-in"]')) {
      navigator.serviceWorker.ready.then((kept) => kept.active.postMessage({ kind: "signed-out" }));
    }
    return;
  }
  navigator.serviceWorker.addEventListener("message", (event) => {
    if (event.data.kind === "kept") {
      show(event.data);
    }
  });
  navigator.serviceWorker.register("/sw.js").then(async () => {
    await navigator.serviceWorker.ready;
    await ask({ kind: "whose", person: Number(person.content) });
    await hearLine();
    takeAlong();
  }).catch(() => {
    // Without it everything works as long as there is a line.
  });
  addEventListener("online", hearLine);
  setInterval(hearLine, TRY_AGAIN_MS);
  outboxPage();
}

function ask(said) {
  return new Promise((answered) => {
    const channel = new MessageChannel();
    channel.port1.onmessage = (event) => answered(event.data);
    navigator.serviceWorker.ready.then((kept) => kept.active.postMessage(said, [channel.port2]));
  });
}

/** Whether there is a line; if so, what is kept goes its way. */
async function hearLine() {
  const bar = document.getElementById("line-bar");
  try {
    const response = await request("/alive");
    delete bar.dataset.away;
    if (response.ok && Number(bar.dataset.waiting ?? 0) > 0) {
      await ask({ kind: "send" });
    }
  } catch {
    bar.dataset.away = document.querySelector('meta[name="made-at"]').content;
  }
  words(bar);
}

function show({ waiting, refused }) {
  const bar = document.getElementById("line-bar");
  bar.dataset.waiting = waiting;
  bar.dataset.refused = refused;
  words(bar);
  document.dispatchEvent(new CustomEvent("kept"));
}

function words(bar) {
  const parts = [];
  if (bar.dataset.away) {
    parts.push(`No line: this page is as it was at ${bar.dataset.away}.`);
  }
  if (Number(bar.dataset.waiting) > 0) {
    parts.push(`${bar.dataset.waiting} kept here, not yet sent.`);
  }
  if (Number(bar.dataset.refused) > 0) {
    parts.push(`${bar.dataset.refused} sent and not taken.`);
  }
  bar.hidden = parts.length === 0;
  bar.textContent = parts.join(" ");
  if (Number(bar.dataset.waiting) > 0 || Number(bar.dataset.refused) > 0) {
    const link = document.createElement("a");
    link.href = "/outbox";
    link.textContent = "Look at it";
    bar.append(" ", link);
  }
}

/** Once a page of a household is open, its other pages of the day come along; of an open run, every step that can follow. */
async function takeAlong() {
  const household = document.querySelector('meta[name="household"]')?.content;
  await alongRun();
  if (!household) {
    return;
  }
  const whose = `along ${document.querySelector('meta[name="person"]').content} ${household}`;
  if (!sessionStorage.getItem(whose)) {
    await ask({ kind: "along", addresses: ALONG.map((page) => `${household}/${page}`) });
    sessionStorage.setItem(whose, "yes");
  }
  document.documentElement.dataset.along = "household";
}

async function alongRun() {
  const run = document.querySelector("[data-along]")?.dataset.along;
  if (!run) {
    return;
  }
  const ways = await (await request(`${run}/along`, { headers: { Accept: "application/json" } })).json();
  await ask({ kind: "along", addresses: [`${run}/along`, run, ...Object.keys(ways).map((step) => `${run}/steps/${step}`)] });
  document.documentElement.dataset.alongRun = "yes";
}

function outboxPage() {
  if (!document.getElementById("outbox")) {
    return;
  }
  const draw = async () => {
    const { waiting, refused } = await ask({ kind: "list" });
    document.getElementById("outbox-none").hidden = waiting.length > 0;
    document.getElementById("outbox-send").hidden = waiting.length === 0;
    document.getElementById("outbox-waiting").replaceChildren(...waiting.map((entry) => line(entry)));
    document.getElementById("outbox-refused-box").hidden = refused.length === 0;
    document.getElementById("outbox-refused").replaceChildren(...refused.map((entry) => line(entry, true)));
  };
  document.getElementById("outbox-send").addEventListener("click", async () => {
    const said = document.getElementById("outbox-said");
    said.textContent = "Sending…";
    await ask({ kind: "send" });
    const { waiting } = await ask({ kind: "list" });
    said.textContent = waiting.length > 0 ? "There is no line yet, or you are signed out. It is still kept here." : "";
  });
  document.addEventListener("kept", draw);
  draw();
}

function line(entry, refused = false) {
  const item = document.createElement("li");
  const head = document.createElement("p");
  const when = new Date(entry.actedAt).toLocaleString("en-GB", { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" });
  head.append(strong(entry.path.replace(/^\/households\/\d+\//, "").replaceAll("/", " · ")), ` ${when}`);
  const fields = document.createElement("p");
  fields.className = "meta";
  const typed = entry.fields.filter(([, value]) => value).map(([name, value]) => `${name}: ${value.slice(0, 200)}`);
  fields.textContent = `Yours: ${typed.join("; ") || "nothing typed"}`;
  item.append(head, fields);
  if (refused) {
    const theirs = document.createElement("p");
    theirs.textContent = `Now: ${heard(entry.said)}`;
    const page = document.createElement("a");
    page.className = "btn-line";
    page.href = entry.page || entry.path;
    page.textContent = "Look at the page";
    const away = document.createElement("button");
    away.type = "button";
    away.className = "plain";
    away.textContent = "Throw mine away";
    away.addEventListener("click", () => ask({ kind: "throw-away", number: entry.number }));
    item.append(theirs, page, " ", away);
  }
  return item;
}

/** What the server's page said of it. */
function heard(page) {
  const document = new DOMParser().parseFromString(page, "text/html");
  const said = [...document.querySelectorAll('[role="alert"], .door p, .fault')]
    .map((each) => each.textContent.trim().replace(/\s+/g, " "));
  return [...new Set(said.filter((words) => words))].slice(0, 3).join(" ") || "It does not fit any more.";
}

function strong(words) {
  const element = document.createElement("b");
  element.textContent = words;
  return element;
}
