/**
 * Work that can wait for a quiet moment: one piece after another, never more of a frame than it can spare, none while a
 * list flies past.
 */
const BUDGET_MS = 5;
/** Faster than this nobody reads what passes. */
const FLING_PX_PER_MS = 1.2;
let jobs: { run: () => void; live: () => boolean }[] = [];
/** The frame that is asked for, while there is work. */
let frame: number | undefined;
let last = { y: 0, at: 0 };

function isFlinging(now: number): boolean {
  const speed = Math.abs(window.scrollY - last.y) / Math.max(1, now - last.at);
  last = { y: window.scrollY, at: now };
  return speed > FLING_PX_PER_MS;
}

const ask = (): void => void (frame ??= requestAnimationFrame(turn));

function turn(now: number): void {
  frame = undefined;
  if (!isFlinging(now)) {
    const began = performance.now();
    while (jobs.length > 0 && performance.now() - began < BUDGET_MS) {
      const job = jobs.shift();
      if (job?.live()) job.run();
    }
  }
  if (jobs.length > 0) ask();
}

/** Runs a piece of work when there is time for it; the returned verb takes it back. */
export function whenIdle(run: () => void): () => void {
  let wanted = true;
  jobs.push({ run, live: () => wanted });
  if (frame === undefined) last = { y: window.scrollY, at: performance.now() };
  ask();
  return () => {
    wanted = false;
    jobs = jobs.filter((j) => j.live());
    if (jobs.length > 0 || frame === undefined) return;
    cancelAnimationFrame(frame);
    frame = undefined;
  };
}
