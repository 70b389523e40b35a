import { useEventSource } from "@vueuse/core";
import { computed, ref, watch, type Ref } from "vue";
import { readScaleLine, LineReader, type ScaleReading } from "@kasten/core/stock";

/** Where a scale's lines come from: the server, or a serial port of this very machine. */
export interface ScaleSource {
  reading: Ref<ScaleReading | undefined>;
  /** Stable for so long that it may be taken over. */
  settled: Ref<number | undefined>;
  /** Nothing has come for a while. */
  isAway: Ref<boolean>;
  close: () => void;
}

/** So many stable lines of one weight in a row. */
const SETTLED_AFTER = 4;

/** Reads lines as they come; a weight is settled when several stable ones in a row say the same. */
export function useReadings(): {
  say: (line: string) => void;
  reading: Ref<ScaleReading | undefined>;
  settled: Ref<number | undefined>;
} {
  const reading = ref<ScaleReading>();
  const run = ref<{ mg: number; times: number }>();
  const settled = computed(() => (run.value && run.value.times >= SETTLED_AFTER ? run.value.mg : undefined));
  return {
    reading,
    settled,
    say: (line) => {
      const read = readScaleLine(line);
      if (!read) return;
      reading.value = read;
      const { state, mg } = read;
      if (state !== "stable" || mg === undefined) run.value = undefined;
      else run.value = { mg, times: run.value?.mg === mg ? run.value.times + 1 : 1 };
    },
  };
}

/** The scale that is connected to the server. */
export function useServerScale(): ScaleSource {
  const { say, reading, settled } = useReadings();
  const { data, event, status, lastEventId, close } = useEventSource("/api/scale/live", ["line", "away"] as const);
  const isAway = computed(() => status.value !== "OPEN" || event.value === "away" || !reading.value);
  // A line may say the same as the last: each has a number of its own, and is looked at.
  watch(lastEventId, () => {
    if (event.value === "line" && data.value !== null) say(data.value);
  });
  return { reading, settled, isAway, close };
}

/** What is needed of a serial port; that of Web Serial has it. */
export interface LinePort {
  open: (options: { baudRate: number }) => Promise<void>;
  readable: ReadableStream<Uint8Array> | null;
  close: () => Promise<void>;
}

const BAUD = 9600;

/** A scale on a serial port of this machine (Web Serial), by the same lines. */
export function useSerialScale(port: LinePort): ScaleSource & { done: Promise<void> } {
  const { say, reading, settled } = useReadings();
  const isAway = ref(true);
  const lines = new LineReader();
  let reader: ReadableStreamDefaultReader<Uint8Array> | undefined;
  const read = async (): Promise<void> => {
    await port.open({ baudRate: BAUD });
    reader = port.readable?.getReader();
    const words = new TextDecoder();
    for (;;) {
      const piece = await reader?.read();
      if (!piece || piece.done) break;
      isAway.value = false;
      for (const l of lines.take(words.decode(piece.value, { stream: true }))) say(l);
    }
    isAway.value = true;
  };
  const done = read();
  return {
    reading,
    settled,
    isAway,
    done,
    close: () => void reader?.cancel().then(() => port.close()),
  };
}
