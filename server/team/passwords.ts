import { hash, verify } from "@node-rs/argon2";
import { overloaded } from "../http/problems";

/** argon2id with 19 MiB and two passes, as the current OWASP advice has it. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
/** Each takes a core and 19 MiB for a while: so many at once, so many waiting, and no more. */
const AT_ONCE = 2;
const MOST_WAITING = 40;

let running = 0;
const waiting: (() => void)[] = [];

/** Waits for its turn; refused where too many wait already, so that a flood of tries cannot fill the memory. */
async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (running >= AT_ONCE) {
    if (waiting.length >= MOST_WAITING) throw overloaded();
    await new Promise<void>((resolve) => waiting.push(resolve));
  } else running++;
  try {
    return await work();
  } finally {
    const next = waiting.shift();
    if (next) next();
    else running--;
  }
}

export const hashPassword = (password: string): Promise<string> => inTurn(() => hash(password, COST));

let decoy: Promise<string> | undefined;

/** Whether it is the password of that hash. Where there is none, it takes as long to say no. */
export async function isPassword(passwordHash: string | undefined, password: string): Promise<boolean> {
  decoy ??= hashPassword("nobody signs in with this");
  const against = passwordHash ?? (await decoy);
  const right = await inTurn(() => verify(against, password));
  return passwordHash !== undefined && right;
}
