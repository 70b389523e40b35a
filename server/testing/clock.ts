import { vi } from "vitest";
import { MONDAY_MORNING } from "./monday";

vi.useFakeTimers({ toFake: ["Date"], now: MONDAY_MORNING });
