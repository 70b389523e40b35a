/**
 * Work that can wait for a quiet moment: one piece after another, never more of a frame than it can spare, none while a
 * list flies past.
 */
const BUDGET_MS = 5;
/** Faster than this nobody reads what passes. */
const FLING_PX_PER_MS = 1.2;
let jobs: { run: () => void; live: () => boolean }[] = [];
let running = false;
let last = { y: 0, at: 0 };

function isFlinging(now: number): boolean {
  const speed = Math.abs(window.scrollY - last.y) / Math.max(1, now - last.at);
  last = { y: window.scrollY, at: now };
  return speed > FLING_PX_PER_MS;
}

function turn(now: number): void {
  if (!isFlinging(now)) {
    const began = performance.now();
    while (jobs.length > 0 && performance.now() - began < BUDGET_MS) {
      const job = jobs.shift();
      if (job?.live()) job.run();
    }
  }
  if (jobs.length > 0) requestAnimationFrame(turn);
  else running = false;
}

/** Runs a piece of work when there is time for it; the returned verb takes it back. */
export function whenIdle(run: () => void): () => void {
  let wanted = true;
  jobs.push({ run, live: () => wanted });
  if (!running) {
    running = true;
    last = { y: window.scrollY, at: performance.now() };
    requestAnimationFrame(turn);
  }
  return () => {
    wanted = false;
    jobs = jobs.filter((j) => j.live());
  };
}
