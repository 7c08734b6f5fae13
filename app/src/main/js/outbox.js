// The page's side of work without a line: what is kept here is counted on every page, sent once there is a line, and shown with both
// sides where it was not taken.

import { request } from "./exchange.js";

const TRY_AGAIN_MS = 20_000;
/** Pages of a household that are worked with on site. */
const ALONG = ["brief", "survey", "ready", "ready/kit", "pair", "mount", "tune", "share", "prove", "care"];

/** What is kept, by the end of where it is sent. */
const ACTS = {
  answer: "An answer in a run",
  photo: "A photo of a mount", look: "A look at the foot of a ladder",
  "look-again": "“Not what I see” in a run", "still-waiting": "“Still waiting” in a run",
  undo: "“Undo” in a run", fill: "Written down in a run", log: "An entry in the log", seen: "What a test showed",
  hung: "A camera that hangs", still: "A still",
  signature: "The signature", notes: "Notes from the call", readings: "A reading of the signal", remarks: "What was agreed",
};

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
    // Counted in the answer itself: a message of its own may come after the line was heard, and then nothing would go its way.
    show(await ask({ kind: "whose", person: Number(person.content) }));
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
    const tests = await (await request(`${household}/prove/along`, { headers: { Accept: "application/json" } })).json();
    await ask({ kind: "along", addresses: [...ALONG.map((page) => `${household}/${page}`), ...tests] });
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
    document.getElementById("outbox-waiting").replaceChildren(...await Promise.all(waiting.map((entry) => line(entry))));
    document.getElementById("outbox-refused-box").hidden = refused.length === 0;
    document.getElementById("outbox-refused").replaceChildren(...await Promise.all(refused.map((entry) => line(entry, true))));
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

async function line(entry, refused = false) {
  const item = document.createElement("li");
  const head = document.createElement("p");
  const when = new Date(entry.actedAt).toLocaleString("en-GB", { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" });
  const act = ACTS[entry.path.split("/").pop()] ?? entry.path.replace(/^\/households\/\d+\//, "").replaceAll("/", " · ");
  head.append(strong(act), ` ${when}`);
  const fields = document.createElement("p");
  fields.className = "meta";
  fields.textContent = `Yours: ${await answered(entry) ?? typed(entry)}`;
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

function typed(entry) {
  return entry.fields.filter(([, value]) => value).map(([name, value]) => `${name}: ${value.slice(0, 200)}`).join("; ") || "nothing typed";
}

/** In the words of the page on which it was answered, if that is still kept and still stands at that step. */
async function answered(entry) {
  const sent = Object.fromEntries(entry.fields);
  const kept = sent.answer && await caches.match(entry.page);
  if (!kept) {
    return null;
  }
  const page = new DOMParser().parseFromString(await kept.text(), "text/html");
  const form = [...page.querySelectorAll("form.answers")].find((each) => each.querySelector("[name=step]")?.value === sent.step);
  const button = [...form?.querySelectorAll("button.answer") ?? []].find((each) => each.value === sent.answer);
  const words = button?.querySelector("b")?.textContent.trim();
  return words ? `“${words}” at “${page.querySelector("#run-step h1")?.textContent.trim()}”` : null;
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
