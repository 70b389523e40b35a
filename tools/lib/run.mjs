import { spawn, spawnSync } from "node:child_process";
import { existsSync, readdirSync, statSync } from "node:fs";
import { join, resolve } from "node:path";

export const root = resolve(import.meta.dirname ?? new URL(".", import.meta.url).pathname, "../..");
export const isRoot = process.getuid?.() === 0;

/** Runs a command to its end, with its output shown; throws when it fails. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: root, stdio: "inherit", ...options });
  if (done.error) throw done.error;
  if (done.status !== 0) throw new Error(`${command} ${args.join(" ")} failed with ${done.status ?? done.signal}`);
}

/** Output of a command, trimmed; undefined when it fails. */
export function output(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: root, encoding: "utf8", ...options });
  return done.status === 0 ? done.stdout.trim() : undefined;
}

export const runNode = (script, args = [], options = {}) =>
  spawn(process.execPath, [script, ...args], { cwd: root, stdio: "inherit", ...options });

/** Installs Debian packages when a program is missing; says what to do where it may not. */
export function installPackages(names, why) {
  const apt = isRoot ? ["apt-get"] : ["sudo", "-n", "apt-get"];
  console.log(`Installing ${names.join(", ")} (${why}) …`);
  const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
  try {
    run(apt[0], [...apt.slice(1), "update", "-qq"], { env, stdio: "ignore" });
    run(apt[0], [...apt.slice(1), "install", "-y", "-qq", "--no-install-recommends", ...names], {
      env,
      stdio: ["ignore", "ignore", "inherit"],
    });
  } catch {
    throw new Error(
      `${names.join(", ")} could not be installed from here. Install it yourself (apt-get install ${names.join(" ")}) and start again.`,
    );
  }
}

/** Dependencies exactly as the lock file has them; only when something changed. */
export function ensureModules() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    throw new Error(`Kasten needs Node.js 20.19 or later; this is ${process.version}.`);
  const stamp = join(root, "node_modules/.package-lock.json");
  if (existsSync(stamp) && statSync(stamp).mtimeMs >= statSync(join(root, "package-lock.json")).mtimeMs) return;
  console.log("Installing dependencies …");
  // Not npm ci: it refuses a lock file that lacks optional builds for other platforms, which not every registry offers.
  run("npm", ["install", "--no-save", "--no-audit", "--no-fund", "--loglevel=error"]);
}

/** The newest change among the sources below some folders. */
export function newestChange(folders) {
  let newest = 0;
  const visit = (path) => {
    const s = statSync(path);
    if (s.isDirectory()) {
      for (const name of readdirSync(path))
        if (!["node_modules", "dist", ".data"].includes(name)) visit(join(path, name));
    } else newest = Math.max(newest, s.mtimeMs);
  };
  for (const f of folders) visit(join(root, f));
  return newest;
}
