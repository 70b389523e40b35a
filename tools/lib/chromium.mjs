import { existsSync } from "node:fs";
import { installPackages } from "./run.mjs";

/** Debian’s Chromium for screens that nobody watches takes up to a quarter less of a processor than the whole one. */
const HEADLESS = "/usr/bin/chromium-headless-shell";
/** Of other systems, and of machines that install nothing. */
const WHOLE = "/usr/bin/chromium";

/** Where the browser is, of those that are installed. */
export const chromiumPath = () => (existsSync(HEADLESS) ? HEADLESS : WHOLE);

/** Installs the one for screens that nobody watches; where that cannot be done, a whole one that is there will do. */
export function ensureChromium(why) {
  if (existsSync(HEADLESS)) return;
  try {
    installPackages(["chromium-headless-shell"], why);
  } catch (error) {
    if (!existsSync(WHOLE)) throw error;
    console.log(`${error.message} Until then ${WHOLE} is used, which takes longer.`);
  }
}
