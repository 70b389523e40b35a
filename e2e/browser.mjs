import { chromiumPath } from "../tools/lib/chromium.mjs";

/** Debian’s Chromium without a monitor and without a word to anybody outside, for browser tests and pictures. */
export const launchOptions = {
  executablePath: chromiumPath(),
  args: [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
  ],
};
/** The window in which screens are judged first. */
export const windowOptions = { viewport: { width: 1280, height: 800 }, timezoneId: "Europe/Berlin" };
