// @vitest-environment happy-dom
import { expect, test } from "vitest";
import { boxFlies, listBox, sendParcel } from "@kasten/contract/box";
import type { ReplyOf } from "@kasten/contract/http";
import { mountIn, refused, settle } from "../testing/room";
import * as things from "../testing/things";
import BoxView from "./BoxView.vue";

const fly = { pattern: "yard-nymph", variant: "olive", form: "weighted", size: "12", patternName: "Yard Nymph" };
const line = (n: number, ready: number) => ({
  ...fly,
  line: things.id(n),
  order: 9,
  orderId: things.id(9),
  due: "2026-12-18",
  owed: 24,
  ready,
  boxed: 0,
  wishes: "",
  asked: {},
  exceptions: [],
});
const box = (open = true): ReplyOf<typeof listBox> => ({
  customers: [
    {
      customer: "mill-shop",
      name: "Mill Shop",
      note: "",
      lines: [line(1, 24), line(2, 0), line(3, 6)],
      parcel: open ? { id: things.id(8), number: 8, contents: [{ ...fly, flies: 12, order: 9 }] } : null,
    },
  ],
});
test("fewer than are ready may be boxed; all that is ready goes in one change", async () => {
  const server = things
    .server({ role: "shop" })
    .answer(listBox, box())
    .answer(boxFlies, { parcel: things.id(8) });
  const { screen } = await mountIn(server, BoxView);
  await screen.get("[aria-label='Flies of Yard Nymph 12 to box']").setValue(10);
  await screen.get("tbody button").trigger("click");
  await settle();
  await screen
    .findAll("button")
    .find((b) => b.text() === "Box all that is ready")
    ?.trigger("click");
  await settle();
  expect(server.of(boxFlies).map((a) => a.body.lines)).toEqual([
    [{ line: things.id(1), flies: 10 }],
    [
      { line: things.id(1), flies: 24 },
      { line: things.id(3), flies: 6 },
    ],
  ]);
});
test("a parcel is sent once; what stands against it is said", async () => {
  const server = things
    .server({ role: "shop" })
    .answer(listBox, box())
    .answer(sendParcel, () =>
      refused({ type: "conflict", title: "No", status: 409, detail: "Somebody has sent it already." }),
    );
  const { screen } = await mountIn(server, BoxView);
  await screen.get("button.btn-main").trigger("click");
  await settle();
  expect(server.of(sendParcel).map((a) => a.params.id)).toEqual([things.id(8)]);
  expect(screen.text()).toContain("Somebody has sent it already.");
});
test("an empty box says how flies come here", async () => {
  const { screen } = await mountIn(things.server().answer(listBox, { customers: [] }), BoxView);
  expect(screen.text()).toContain("Nothing is ready to box");
});
