import { spawn, type ChildProcess } from "node:child_process";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { join } from "node:path";
import express from "express";
import { afterAll, beforeAll, expect, test } from "vitest";
import { readScaleLine, type ScaleReading } from "@kasten/core/stock";
import { SocketScale } from ".";

let child: ChildProcess;
let scale: SocketScale;
let web: Server;
const readings: ScaleReading[] = [];
let listening: Promise<void>;

beforeAll(async () => {
  child = spawn(process.execPath, [join(import.meta.dirname, "../../tools/standins/scale.mjs")], {
    stdio: ["pipe", "pipe", "inherit"],
  });
  const port = await new Promise<string>((resolve) =>
    child.stdout?.setEncoding("utf8").on("data", (said: string) => resolve(/\d+/.exec(said)?.[0] ?? "")),
  );
  scale = new SocketScale(`127.0.0.1:${port}`);
  web = createServer(express().get("/live", (_request, response) => scale.stream(response)));
  await new Promise<void>((resolve) => web.listen(0, "127.0.0.1", resolve));
  const page = await fetch(`http://127.0.0.1:${(web.address() as AddressInfo).port}/live`);
  listening = listen(page);
});
afterAll(async () => {
  scale.close();
  await listening;
  web.close();
  child.kill();
});

async function listen(page: Response): Promise<void> {
  const words = new TextDecoder();
  let rest = "";
  for await (const piece of page.body ?? []) {
    const events = (rest + words.decode(piece as Uint8Array, { stream: true })).split("\n\n");
    rest = events.pop() ?? "";
    for (const e of events) {
      const reading = readScaleLine(/^data: (.*)$/m.exec(e)?.[1] ?? "");
      if (reading) readings.push(reading);
    }
  }
}

/** Waits until a reading is as it should be; the stand-in says ten lines a second. */
const until = (is: (r: ScaleReading) => boolean) =>
  expect.poll(() => readings.slice(-3).some(is), { timeout: 8000 }).toBe(true);
const tell = (command: string) => expect.poll(() => scale.tell(command), { timeout: 8000 }).toBe(true);

test("the stand-in settles to what is laid on it, tares, and can be too heavy, knocked and low", async () => {
  await until((r) => r.state === "stable" && r.mg === 0);
  await tell("PUT 24050");
  await until((r) => r.state === "stable" && r.mg === 24_050);
  expect(
    readings.some((r) => r.state === "settling"),
    "on its way",
  ).toBe(true);
  await tell("T");
  await until((r) => r.state === "stable" && r.mg === 0);
  await tell("PUT 999999");
  await until((r) => r.state === "overload");
  await tell("PUT 24060");
  await until((r) => r.state === "stable" && r.mg === 10);
  await tell("SHAKE");
  await until((r) => r.state === "settling");
  await tell("BATTERY");
  await until((r) => r.lowBattery);
}, 60_000);

test("a scale that is not there takes no command", () => expect(new SocketScale(undefined).tell("T")).toBe(false));
