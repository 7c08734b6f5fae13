// Work without a line. Pages of the households that are worked at are kept as they were last read, files that they load as they are,
// and what is sent without a line is kept with the time at which it was done and sent later, in order, each once. Passwords never.
importScripts("/vendor/workbox/workbox-core.prod.js", "/vendor/workbox/workbox-routing.prod.js",
  "/vendor/workbox/workbox-strategies.prod.js", "/vendor/workbox/workbox-background-sync.prod.js");

const FILES = "roofnest-files";
const PAGES = "roofnest-pages";
const OWN = ["/no-line", "/outbox"];
const LINE_WAIT_S = 8;
/** The word of a front whose instances do not answer; Roof Nest itself never says so. */
const AWAY = [502, 504];
/** Where something is sent that waits for a line: it shows or changes secrets, or counts only at once. */
const AT_ONCE = new RegExp("/(reveal|code|sealed-sheet|network|label|take-suggestion|changes|invite|hand-over|reopen|link|try|pose|"
  + "cell|zones|edits)(/|$)");
/** Pages that are kept as they were last read. None of them ever shows a secret: those are drawn in answers to what is sent. */
const KEPT = new RegExp("^/households/\\d+/(brief|survey|ready|ready/kit|pair|pair/runs/\\d+|pair/runs/\\d+/steps/[^/]+|mount|tune|share"
  + "|mount/\\d+/wall|mount/\\d+/run|mount/\\d+/run/steps/[^/]+"
  + "|prove|prove/\\d+/tests/[A-Z_]+|care|visit|day)$");
const ON_SITE = new RegExp("^/households/\\d+/(pair|mount|prove|survey/readings|survey/cameras/\\d+/readings|care|ready|visit|day|"
  + "brief/notes|tune)");

const waiting = new workbox.backgroundSync.Queue("roofnest-waiting", { onSync: () => send(), maxRetentionTime: 7 * 24 * 60 });
const refused = new workbox.backgroundSync.Queue("roofnest-refused", { onSync: async () => {}, maxRetentionTime: 30 * 24 * 60 });
let sending = null;
let turn = Promise.resolve();

/** One after the other. */
function alone(work) {
  const done = turn.then(work);
  turn = done.catch(() => {});
  return done;
}

self.addEventListener("install", (event) => event.waitUntil(self.skipWaiting()));
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));

workbox.routing.registerRoute(({ url, sameOrigin }) => sameOrigin && /^\/(css|js|vendor)\/|^\/icon/.test(url.pathname),
  new workbox.strategies.CacheFirst({ cacheName: FILES }));

const pages = new workbox.strategies.NetworkFirst({
  cacheName: PAGES, networkTimeoutSeconds: LINE_WAIT_S,
  plugins: [{
    cacheWillUpdate: async ({ request, response }) => (response.status === 200 && !response.redirected
      && isKept(new URL(request.url)) ? response : null),
    handlerDidError: async () => await caches.match("/no-line") ?? Response.error(),
  }],
});

function isKept(url) {
  return KEPT.test(url.pathname) || url.pathname === "/" || OWN.includes(url.pathname);
}

workbox.routing.registerRoute(({ request, sameOrigin }) => sameOrigin && request.mode === "navigate" && request.method === "GET", pages);

workbox.routing.registerRoute(({ request, url, sameOrigin }) => sameOrigin && request.mode === "navigate"
  && url.pathname.startsWith("/households/"), ({ request }) => sendNow(request), "POST");

/** By the line if there is one; the number goes with it, so that what was carried out before the line broke is not done again. */
async function sendNow(request) {
  const headers = { Accept: "text/html", "X-Act": crypto.randomUUID() };
  if (request.headers.get("Content-Type")) {
    headers["Content-Type"] = request.headers.get("Content-Type");
  }
  const body = await request.blob();
  const again = () => new Request(request.url, {
    method: "POST", headers, body, redirect: "manual", credentials: "same-origin", referrer: request.referrer,
  });
  const actedAt = new Date().toISOString();
  const line = new AbortController();
  const patience = setTimeout(() => line.abort(), 3 * LINE_WAIT_S * 1000);
  try {
    const answer = await fetch(again(), { signal: line.signal });
    if (!AWAY.includes(answer.status)) {
      return answer;
    }
    // An instance went away under it. Its number lets it be sent to the next one, carried out already or not.
    const other = await fetch(again(), { signal: line.signal });
    return AWAY.includes(other.status) ? keep(again(), actedAt, request.referrer) : other;
  } catch {
    return keep(again(), actedAt, request.referrer);
  } finally {
    clearTimeout(patience);
  }
}

async function keep(request, actedAt, referrer) {
  const url = new URL(request.url);
  const form = await request.clone().formData();
  const secret = [...form].some(([name, value]) => /password/i.test(name) && value);
  if (!ON_SITE.test(url.pathname) || AT_ONCE.test(url.pathname) || secret) {
    return await caches.match("/no-line") ?? Response.error();
  }
  const test = await testToBegin(url, form);
  if (test) {
    return Response.redirect(test, 303);
  }
  const undone = await takenBack(url);
  if (undone) {
    return Response.redirect(undone, 303);
  }
  await waiting.pushRequest({ request, metadata: { actedAt, page: referrer, person: await person() } });
  tell();
  return Response.redirect(await next(url, form, referrer), 303);
}

/** A test that begins without a line is made on the page that was taken along for it; nothing of it is kept before it is seen through. */
async function testToBegin(url, form) {
  const begins = url.pathname.match(/^(\/households\/\d+\/prove\/\d+)\/trials$/);
  const there = begins && form.get("standIns") !== "true" && `${begins[1]}/tests/${form.get("kind")}`;
  return there && await caches.match(there) ? there : null;
}

/** An answer that is still here is taken back here: it is never sent. @returns the page on which it was given */
function takenBack(url) {
  const run = url.pathname.match(/^(\/households\/\d+\/(?:pair\/runs\/\d+|mount\/\d+\/run))\/undo$/);
  return run && alone(async () => {
    const last = (await waiting.getAll()).pop();
    if (!last || !new RegExp(`^${run[1]}/(answer|look-again|fill)$`).test(new URL(last.request.url).pathname)) {
      return null;
    }
    await waiting.popRequest();
    tell();
    return last.metadata.page;
  });
}

/** In a run the step that the answer leads to, as it was taken along; else back to the page. */
async function next(url, form, referrer) {
  const run = url.pathname.match(/^(\/households\/\d+\/(?:pair\/runs\/\d+|mount\/\d+\/run))\/(answer|look-again|fill|still-waiting)$/);
  const back = referrer || "/outbox";
  if (!run || run[2] === "still-waiting") {
    return back;
  }
  const ways = await (await caches.match(`${run[1]}/along`))?.json();
  const step = ways?.[form.get("step")]?.[run[2] === "answer" ? form.get("answer") : run[2] === "fill" ? "form" : "look-again"];
  const there = step && `${run[1]}/steps/${step}`;
  return there && await caches.match(there) ? there : back;
}

async function person() {
  const kept = await (await caches.match("/whose"))?.json();
  return kept?.person ?? null;
}

/** Sends what is kept, the oldest first, until nothing is left or the line is gone again. One at a time, whoever asks. */
function send() {
  sending ??= alone(sendAll).finally(() => {
    sending = null;
    return tell();
  });
  return sending;
}

async function sendAll() {
  // Each stands here until it was answered: a browser that ends while it is on its way sends it again, and its number says which it is.
  for (let [entry] = await waiting.getAll(); entry; [entry] = await waiting.getAll()) {
    let outcome;
    try {
      outcome = await sendOne(entry);
    } catch {
      return;
    }
    if (outcome.later) {
      return;
    }
    if (outcome.said) {
      await refused.pushRequest({ request: entry.request, metadata: { ...entry.metadata, said: outcome.said } });
    }
    await waiting.shiftRequest();
  }
}

async function sendOne({ request, metadata }) {
  const alive = await fetch("/alive", {
    headers: { "X-Requested-With": "XMLHttpRequest" }, signal: AbortSignal.timeout(LINE_WAIT_S * 1000),
  });
  if (!alive.ok) {
    return { later: true };
  }
  const now = await alive.json();
  if (metadata.person !== null && metadata.person !== now.person) {
    return { later: true };
  }
  const form = await request.clone().formData();
  form.set("_csrf", now.csrf);
  const response = await fetch(request.url, {
    method: "POST", body: form, redirect: "manual", credentials: "same-origin", signal: AbortSignal.timeout(3 * LINE_WAIT_S * 1000),
    headers: { Accept: "text/html", "X-Act": request.headers.get("X-Act"), "X-Acted-At": metadata.actedAt },
  });
  if (response.type === "opaqueredirect" || response.ok) {
    return {};
  }
  return response.status >= 500 || response.status === 401 || response.status === 429 ? { later: true }
    : { said: await response.text() };
}

async function counted() {
  return { kind: "kept", waiting: (await waiting.getAll()).length, refused: (await refused.getAll()).length };
}

async function tell() {
  const counts = await counted();
  for (const client of await self.clients.matchAll({ includeUncontrolled: true })) {
    client.postMessage(counts);
  }
}

function listed(entries) {
  return Promise.all(entries.map(async ({ request, metadata }) => ({
    path: new URL(request.url).pathname, page: metadata.page, actedAt: metadata.actedAt, said: metadata.said,
    number: request.headers.get("X-Act"),
    fields: [...await request.clone().formData()].filter(([name]) => name !== "_csrf" && name !== "version")
      .map(([name, value]) => [name, typeof value === "string" ? value : value.name]),
  })));
}

/** Throws one of the refused away, once somebody has seen both sides. */
async function throwAway(number) {
  for (const entry of await refused.getAll()) {
    await refused.shiftRequest();
    if (entry.request.headers.get("X-Act") !== number) {
      await refused.pushRequest(entry);
    }
  }
}

async function takeAlong(addresses) {
  const cache = await caches.open(PAGES);
  try {
    for (const address of addresses) {
      const response = await fetch(address, { headers: { Accept: "text/html,application/json" } });
      if (response.ok && !response.redirected) {
        await cache.put(address, response);
      }
    }
  } catch {
    // The line is gone: what was taken along before stays.
  }
}

self.addEventListener("message", (event) => event.waitUntil(heard(event.data, event.ports[0])));

async function heard(said, port) {
  if (said.kind === "whose") {
    const before = await person();
    const cache = await caches.open(PAGES);
    if (before !== null && before !== said.person) {
      await caches.delete(PAGES);
    }
    await (before === said.person ? cache : await caches.open(PAGES)).put("/whose", Response.json({ person: said.person }));
    await takeAlong(OWN);
    port.postMessage(await counted());
    return;
  } else if (said.kind === "along") {
    await takeAlong(said.addresses);
  } else if (said.kind === "send") {
    await send();
  } else if (said.kind === "signed-out") {
    await caches.delete(PAGES);
  } else if (said.kind === "throw-away") {
    await throwAway(said.number);
    await tell();
  } else if (said.kind === "list") {
    port.postMessage({ waiting: await listed(await waiting.getAll()), refused: await listed(await refused.getAll()) });
    return;
  }
  port?.postMessage("done");
}
