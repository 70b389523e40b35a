import { wrap } from "comlink";

/** What reads words in a thread of its own, with what it was given before. */
export interface Reader<Given, Answer> {
  load: (given: Given) => void | Promise<void>;
  read: (words: string) => Answer | Promise<Answer>;
}
export interface Thread<Given, Answer> {
  reader: Reader<Given, Answer>;
  /** What was asked of it: refused as well where the thread itself ends in an error, or never began. */
  answerTo: <T>(asked: T | Promise<T>) => Promise<T>;
}

/** A thread of which it is noticed when it breaks. */
export function threadOf<Given, Answer>(worker: Worker): Thread<Given, Answer> {
  async function answerTo<T>(asked: T | Promise<T>): Promise<T> {
    const over = new AbortController();
    const broken = new Promise<never>((_, refuse) => {
      const tell = ({ message }: ErrorEvent): void => refuse(new Error(message || "A part of the page did not come."));
      worker.addEventListener("error", tell, { signal: over.signal });
    });
    return Promise.race([asked, broken]).finally(() => over.abort());
  }
  return { reader: wrap<Reader<Given, Answer>>(worker) as Reader<Given, Answer>, answerTo };
}

/**
 * Reads words beside the page, in one thread for as long as it holds: to begin one takes longer than to read.
 * @param start another thread: the first time, and after one broke
 * @returns reads words with what is given, which is handed over once
 */
export function readBeside<Given, Answer>(
  start: () => Thread<Given, Answer>,
): (words: string, given: Given) => Promise<Answer> {
  let thread: Thread<Given, Answer> | undefined;
  let loaded: Given | undefined;
  return async (words, given) => {
    thread ??= start();
    const { reader, answerTo } = thread;
    try {
      if (loaded !== given) await answerTo(reader.load(given));
      loaded = given;
      return await answerTo(reader.read(words));
    } catch (error) {
      thread = undefined;
      loaded = undefined;
      throw error;
    }
  };
}
