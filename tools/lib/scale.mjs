import { spawn } from "node:child_process";
import { join } from "node:path";
import { root } from "./run.mjs";

/** Starts the stand-in of a scale as a process of its own. @returns where it listens, and how it is ended */
export async function startScale() {
  const child = spawn(process.execPath, [join(root, "tools/standins/scale.mjs")], {
    stdio: ["pipe", "pipe", "inherit"],
  });
  const port = await new Promise((resolve, reject) => {
    child.stdout.setEncoding("utf8");
    child.stdout.on("data", (said) => {
      const found = /^scale (\d+)/.exec(said);
      if (found) resolve(Number(found[1]));
    });
    child.on("exit", (code) => reject(new Error(`The stand-in of the scale ended with ${code}.`)));
  });
  return { address: `127.0.0.1:${port}`, stop: () => child.kill("SIGTERM") };
}
