// @vitest-environment happy-dom
import { expect, test } from "vitest";
import { listEvents, listFinished, readPromises } from "@kasten/contract/book";
import { mountIn, settle } from "../testing/room";
import * as things from "../testing/things";
import BookView from "./BookView.vue";

const event = (n: number) => ({
  id: n,
  at: "2026-11-20T08:00:00Z",
  person: "Ada Quarry",
  kind: "order.written",
  sentence: `Did thing ${n}`,
  subject: "order",
  subjectId: things.id(9),
});
test("the log goes on to its first entry, whatever the batches do", async () => {
  const server = things
    .server()
    .answer(listFinished, { batches: [], yields: [], next: null })
    .answer(listEvents, ({ query }) =>
      query.cursor === "3" ? { events: [event(2), event(1)], next: null } : { events: [event(4), event(3)], next: "3" },
    );
  server.answer(readPromises, {
    months: [{ month: "2026-10", lines: 8, kept: 6, odds: 0.92, late: [{ cause: "material", lines: 2 }] }],
  });
  const { screen } = await mountIn(server, BookView);
  expect(screen.text()).toMatch(/2026-10\s*8\s*6\s*75 %\s*92 %\s*material 2/);
  expect(screen.text()).toContain("No batch has been finished yet.");
  const things4 = () => screen.findAll("ol li").map((li) => li.text().replace(/.*Did/, "Did"));
  expect(things4()).toEqual(["Did thing 4", "Did thing 3"]);
  await screen
    .findAll("button")
    .find((b) => b.text() === "Show more entries")
    ?.trigger("click");
  await settle();
  expect(things4()).toEqual(["Did thing 4", "Did thing 3", "Did thing 2", "Did thing 1"]);
  expect(server.of(listEvents).map((a) => a.query.cursor)).toEqual([undefined, "3"]);
});
