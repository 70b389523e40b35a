import { setTimeout as pause } from "node:timers/promises";
import { busy } from "./problems";
import { sqlState } from "./sqlState";

/** Deadlock, serialisation failure, and a lock that was not given in time: nothing of the change has happened. */
const COLLISIONS = new Set(["40P01", "40001", "55P03"]);
const TRIES = 6;
const FIRST_PAUSE_MS = 15;

/**
 * Runs a change, again where it met another on the same rows: a transaction that was undone has left nothing, so it
 * may be begun anew.
 * @param random from 0 up to 1: those who met once do not meet at the same pace again
 */
export async function retried<T>(change: () => Promise<T>, random: () => number = Math.random): Promise<T> {
  for (let tries = 1; ; tries++) {
    try {
      return await change();
    } catch (error) {
      if (!COLLISIONS.has(sqlState(error) ?? "")) throw error;
      if (tries === TRIES) throw busy();
    }
    await pause(FIRST_PAUSE_MS * 2 ** tries * (0.5 + random()));
  }
}
