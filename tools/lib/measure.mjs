import { randomUUID } from "node:crypto";

/** The room's answers as a page would ask for them: median and longest milliseconds, size of each reply. */
export async function measureRoom(base, { times = 7 } = {}) {
  const ask = await signIn(base);
  const [order] = (await ask("GET", "/orders")).json.orders;
  const [batch] = (await ask("GET", "/batches")).json.batches;
  const material = (await ask("GET", "/stock")).json.items[0].code;
  const lot = (await ask("GET", `/stock/${material}`)).json.lotList[0]?.id;
  const { pattern, variant, form, size } = batch;
  const line = { pattern, variant, form, size, flies: 60 };
  const body = { text: "", customer: order.customer, due: order.due, note: "", lines: [line] };
  const due = new Date(Date.now() + 40 * 86_400_000).toISOString().slice(0, 10);
  const requests = {
    orders: ["GET", "/orders"],
    "an order": ["GET", `/orders/${order.id}`],
    batches: ["GET", "/batches"],
    "their sums": ["GET", "/batches/sums"],
    "a batch": ["GET", `/batches/${batch.id}`],
    needs: ["GET", "/needs"],
    stock: ["GET", "/stock"],
    "a material": ["GET", `/stock/${material}`],
    "a lot": ["GET", `/lots/${lot}`],
    "against time": ["GET", `/stock/${material}/outlook`],
    find: ["GET", "/find?q=brown%20hackle"],
    buying: ["GET", "/buying"],
    plan: ["GET", "/plan"],
    "late orders": ["GET", "/plan/late"],
    turns: ["GET", "/plan/turns"],
    box: ["GET", "/box"],
    "finished batches": ["GET", "/book/batches"],
    log: ["GET", "/book/log"],
    waiting: ["GET", "/waiting"],
    catalogue: ["GET", "/catalogue"],
    promise: ["POST", "/promise", { lines: [line, { ...line, flies: 600 }] }],
    "save an order": ["POST", "/orders", { ...body, due }],
    reserve: ["POST", `/batches/${batch.id}/reserve`, {}],
  };
  const rows = [];
  for (const [what, [method, path, sent]] of Object.entries(requests)) {
    const took = [];
    let bytes = 0;
    for (let i = 0; i < times; i++) {
      const reply = await ask(method, path, sent);
      took.push(reply.ms);
      bytes = reply.bytes;
      if (reply.status !== 200 && !(what === "reserve" && reply.status === 409))
        throw new Error(`${what}: ${reply.status} ${JSON.stringify(reply.json).slice(0, 200)}`);
    }
    took.sort((a, b) => a - b);
    rows.push({ what, median: took[took.length >> 1], longest: took.at(-1), kB: bytes / 1000 });
  }
  return rows;
}

/** Signs in as the owner of a demo room. @returns how to ask */
export async function signIn(base) {
  let cookie = "";
  const ask = async (method, path, body) => {
    const from = performance.now();
    const response = await fetch(`${base}/api${path}`, {
      method,
      headers: {
        ...(cookie && { Cookie: cookie }),
        ...(method !== "GET" && { "Content-Type": "application/json", "Idempotency-Key": randomUUID() }),
      },
      ...(method !== "GET" && { body: JSON.stringify(body ?? {}) }),
    });
    const text = await response.text();
    const set = response.headers.getSetCookie()[0];
    if (set) cookie = set.split(";")[0];
    return { status: response.status, ms: performance.now() - from, bytes: text.length, json: JSON.parse(text) };
  };
  const { json } = await ask("GET", "/session");
  await ask("POST", "/session/demo", { person: json.demo.find((p) => p.role === "owner").id });
  return ask;
}
