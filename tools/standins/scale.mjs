import { createServer } from "node:net";
import { setInterval } from "node:timers";

/**
 * A stand-in for a bench scale, as a process of its own. It says its plain lines ten times a second to whoever is
 * connected (`ST +0012.34 g`, `US …` while it settles, `OL`, `UL`, ` LB` with a low battery) and takes these:
 *
 *   T            tare: what lies on it now counts as nothing
 *   Z            zero
 *   PUT 12340    lay so many mg on it; it settles within a second
 *   SHAKE        never settles, until the next PUT
 *   BATTERY      low from now on, or full again
 *
 * Above 200 g it shows overload. SCALE_PORT chooses its port; by itself it takes a free one and prints it.
 */
const MOST_MG = 200_000;
const DIGIT_MG = 10;
const TICK_MS = 100;
/** Of the way to the new weight that is left after each tick. */
const LAG = 0.45;

let load = 0;
let shown = 0;
let tare = 0;
let isShaking = false;
let isLow = false;
let tick = 0;

function line() {
  tick++;
  shown += (load - shown) * (1 - LAG);
  if (Math.abs(load - shown) < DIGIT_MG / 2) shown = load;
  const sway = isShaking ? Math.sin(tick * 1.7) * 35 * DIGIT_MG : 0;
  const low = isLow ? " LB" : "";
  const gross = shown + sway;
  if (gross > MOST_MG) return `OL${low}`;
  const net = Math.round((gross - tare) / DIGIT_MG) * DIGIT_MG;
  if (gross < -DIGIT_MG * 10) return `UL${low}`;
  const code = shown === load && !isShaking ? "ST" : "US";
  return `${code} ${net < 0 ? "-" : "+"}${(Math.abs(net) / 1000).toFixed(2).padStart(7, "0")} g${low}`;
}

function take(command) {
  const put = /^PUT (\d{1,7})$/.exec(command);
  if (put) {
    load = Number(put[1]);
    isShaking = false;
  } else if (command === "T") tare = shown;
  else if (command === "Z") {
    tare = 0;
    load = 0;
  } else if (command === "SHAKE") isShaking = true;
  else if (command === "BATTERY") isLow = !isLow;
}

const sockets = new Set();
const server = createServer((socket) => {
  sockets.add(socket);
  let rest = "";
  socket.setEncoding("utf8");
  socket.on("data", (piece) => {
    const lines = (rest + piece).slice(-1000).split(/\r?\n/);
    rest = lines.pop() ?? "";
    for (const l of lines) take(l.trim());
  });
  socket.on("error", () => socket.destroy());
  socket.on("close", () => sockets.delete(socket));
});
setInterval(() => {
  const said = `${line()}\r\n`;
  for (const s of sockets) if (s.writableLength < 10_000) s.write(said);
}, TICK_MS);
server.listen(Number(process.env.SCALE_PORT ?? 0), "127.0.0.1", () => {
  const address = server.address();
  console.log(`scale ${typeof address === "object" && address ? address.port : ""}`);
});
process.on("SIGTERM", () => process.exit(0));
// Whoever started it is gone: nobody will end it any more.
process.stdin.on("end", () => process.exit(0)).resume();
