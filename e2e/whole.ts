import type { Page } from "@playwright/test";

/** A phone, a tablet, a small and the usual screen, a wide one; and the usual one enlarged four times (WCAG 1.4.10). */
export const widths = [320, 390, 768, 1024, 1280, 1920];
/** At these, letters and lines are also set as far apart as readers may need (WCAG 1.4.12). */
const spaced = [390, 1280];
const HEIGHT = 900;
const MOST_TRIES = 12;

/**
 * What is cut off or covered on the page as it stands: text and controls beyond the edge of the screen or of a box that
 * hides them, and controls that a click in their middle would miss. Words that end in an ellipsis are whole as long as
 * all of them are told where the pointer rests; the stations along the bench may be scrolled.
 */
const look = `(() => {
  const MOST = 12;
  const faults = [];
  const wide = document.documentElement.clientWidth;
  const named = (el) => (el.tagName + " " + (el.getAttribute("aria-label") || el.textContent || "").trim().replace(/\\s+/g, " ").slice(0, 60));
  const tell = (what, el) => { if (faults.length < MOST) faults.push(what + ": " + named(el)); };
  if (document.documentElement.scrollWidth > wide + 1) faults.push("the page is wider than the screen: " + document.documentElement.scrollWidth);
  const isQuiet = (el) => el.closest(".sr-only, [aria-hidden=true], nav[aria-label='Along the bench'], [data-sonner-toaster], .cm-cursorLayer, .cm-selectionLayer") !== null;
  const hasOwnText = (el) => [...el.childNodes].some((n) => n.nodeType === 3 && n.textContent.trim() !== "");
  const isControl = (el) => el.matches("a[href], button, input, select, textarea, [role=textbox]");
  const told = (el) => el.closest("[title], [aria-label]") !== null;
  for (const el of document.querySelectorAll("body *")) {
    if (el.closest("svg") && el.tagName !== "svg") continue;
    if (!(hasOwnText(el) || isControl(el) || el.tagName === "svg" || el.tagName === "IMG") || isQuiet(el) || !el.checkVisibility()) continue;
    const r = el.getBoundingClientRect();
    if (r.width <= 1 || r.height <= 1) continue;
    if (r.right > wide + 1 || r.left < -1) tell("beyond the edge", el);
    const own = getComputedStyle(el);
    if (el.scrollWidth > el.clientWidth + 1 && ["hidden", "clip"].includes(own.overflowX) && !isControl(el) && !(own.textOverflow === "ellipsis" && told(el)))
      tell("cut off", el);
    for (let up = el.parentElement; up && up !== document.body; up = up.parentElement) {
      const style = getComputedStyle(up);
      if (!["hidden", "clip"].includes(style.overflowX)) continue;
      const box = up.getBoundingClientRect();
      if ((r.right > box.right + 1 || r.left < box.left - 1) && !(style.textOverflow === "ellipsis" && told(up))) tell("cut off by its box", el);
      break;
    }
  }
  const at = window.scrollY;
  for (const el of [...document.querySelectorAll("a[href], button, input, select, textarea")].filter((e) => !isQuiet(e) && e.checkVisibility()).slice(0, 120)) {
    if (el.disabled || el.matches("[type=file]")) continue;
    el.scrollIntoView({ block: "center", inline: "center" });
    const [r] = el.getClientRects();
    if (!r || r.width <= 1) continue;
    const hit = document.elementFromPoint(r.left + r.width / 2, r.top + r.height / 2);
    const isHit = hit !== null && (el.contains(hit) || hit.contains(el) || hit.closest("label")?.contains(el));
    if (!isHit) tell("covered by " + (hit ? named(hit) : "nothing"), el);
  }
  window.scrollTo(0, at);
  return faults;
})()`;

/** Set without a style element: the page takes no style from elsewhere. */
const spread = `(() => {
  const sheet = new CSSStyleSheet();
  sheet.replaceSync("main * { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important; } main p { margin-bottom: 2em !important; }");
  document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
})()`;
const gather = "document.adoptedStyleSheets = document.adoptedStyleSheets.slice(0, -1)";

/** Once the page has answered to its new width: what observes sizes is told after the next frame. */
const laidOut = "new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done, 30))))";

/** Faults of the screen by width; none where it is whole. */
export async function notWhole(page: Page, at: number[] = widths): Promise<Record<string, string[]>> {
  const before = page.viewportSize();
  const found: Record<string, string[]> = {};
  const lookAt = async (name: string): Promise<void> => {
    let faults: string[] = [];
    // A busy machine lays out late: only what stays wrong is a fault.
    for (let tries = 0; tries < MOST_TRIES; tries++) {
      await page.evaluate(laidOut);
      faults = await page.evaluate<string[]>(look);
      if (faults.length === 0) return;
    }
    found[name] = faults;
  };
  for (const width of at) {
    await page.setViewportSize({ width, height: HEIGHT });
    await lookAt(String(width));
    if (!spaced.includes(width)) continue;
    await page.evaluate(spread);
    await lookAt(`${width}, spaced`);
    await page.evaluate(gather);
  }
  if (before) await page.setViewportSize(before);
  return found;
}
