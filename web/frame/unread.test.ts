// @vitest-environment happy-dom
import { afterEach, expect, test } from "vitest";
import { defineComponent, ref } from "vue";
import { listSuppliers } from "@kasten/contract/purchasing";
import { listDrawers } from "@kasten/contract/stock";
import { me } from "@kasten/contract/team";
import { call, unread, useRead } from "../http";
import { FakeServer, mountIn, refused, settle } from "../testing/room";
import * as things from "../testing/things";
import UnreadNote from "./UnreadNote.vue";

const listOf = (what: string, query: () => Promise<object>) =>
  defineComponent({
    setup: () => ({ what, found: useRead({ key: [what], query }).data }),
    template: "<p>{{ what }} {{ found ? 'read' : '' }}</p>",
  });
const DrawerList = listOf("drawers", () => call(listDrawers));
const SupplierList = listOf("suppliers", () => call(listSuppliers));

const busy = (detail: string) => refused({ type: "unexpected", title: "Not read", status: 500, detail });
const drawers = { drawers: [] };

/** Two lists below the note, as the frame puts them; the second can be left. */
async function open(server: FakeServer) {
  const both = ref(true);
  const page = {
    components: { UnreadNote, DrawerList, SupplierList },
    setup: () => ({ both }),
    template: "<main><UnreadNote /><DrawerList /><SupplierList v-if='both' /></main>",
  };
  return { both, ...(await mountIn(server, page)) };
}
const note = (screen: { find: (s: string) => { exists: () => boolean; text: () => string } }): string => {
  const found = screen.find("main > [role=alert]");
  return found.exists() ? found.text() : "";
};

// What one test left unread is nobody else's.
afterEach(() => expect(unread.size, "left behind by what is gone").toBe(0));

test("a list that the server refuses says so above the page, and is read again when asked", async () => {
  let tries = 0;
  const server = things
    .server()
    .answer(listSuppliers, { suppliers: [] })
    .answer(listDrawers, () => (++tries === 1 ? busy("The drawers are being moved.") : drawers));
  const { screen } = await open(server);
  expect(note(screen)).toContain("Not all of this page could be read.");
  expect(note(screen)).toContain("The drawers are being moved.");
  expect(screen.text()).not.toContain("drawers read");
  const again = screen.findAll("main > [role=alert] button").map((b) => b.text());
  expect(again).toEqual(["Read it again"]);
  await screen.get("main > [role=alert] button").trigger("click");
  await settle();
  expect(note(screen)).toBe("");
  expect(screen.text()).toContain("drawers read");
  expect(tries).toBe(2);
  screen.unmount();
});

test("the same sentence is said once, and what is left is not spoken of any more", async () => {
  const server = things
    .server()
    .answer(listSuppliers, () => busy("Something went wrong here."))
    .answer(listDrawers, () => busy("Something went wrong here."));
  const { screen, both } = await open(server);
  expect(note(screen).match(/Something went wrong here/g)).toHaveLength(1);
  server.answer(listDrawers, drawers);
  await screen.get("main > [role=alert] button").trigger("click");
  await settle();
  expect(note(screen)).toContain("Something went wrong here.");
  both.value = false;
  await settle();
  expect(note(screen)).toBe("");
  screen.unmount();
});

test("whoever has been signed out meanwhile is asked to sign in, not to try in vain", async () => {
  const server = things
    .server()
    .answer(listSuppliers, { suppliers: [] })
    .answer(listDrawers, () =>
      refused({ type: "not-signed-in", title: "Not signed in", status: 401, detail: "Sign in first." }),
    );
  const { screen } = await open(server);
  const asked = server.of(me).length;
  const button = screen.get("main > [role=alert] button");
  expect(button.text()).toBe("Sign in");
  await button.trigger("click");
  await settle();
  expect(server.of(me).length).toBe(asked + 1);
  screen.unmount();
});
