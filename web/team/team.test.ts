// @vitest-environment happy-dom
import { describe, expect, test } from "vitest";
import {
  addPerson,
  changePassword,
  editPerson,
  endAccess,
  giveAccess,
  listPeople,
  me,
  resetPassword,
  setUp,
  signIn,
} from "@kasten/contract/team";
import { fieldOf, FakeServer, mountIn, refused, settle } from "../testing/room";
import * as things from "../testing/things";
import { clockOf, minuteOf, numberWordsOf, sayNumberWords } from "./hours";
import PeopleView from "./PeopleView.vue";
import SignIn from "./SignIn.vue";

describe("hours and number words", () => {
  test.each([0, 1, 59, 60, 545, 1439])("minute %i of the day is a clock and back", (minute) =>
    expect(minuteOf(clockOf(minute))).toBe(minute),
  );
  test("words are read and said; what cannot be read is named, not dropped", () => {
    expect(numberWordsOf(" couple 2, few 3,")).toEqual({ words: { couple: 2, few: 3 }, unread: [] });
    expect(numberWordsOf("few three, 4, a few 3, some 2.5")).toEqual({
      words: {},
      unread: ["few three", "4", "a few 3", "some 2.5"],
    });
    expect(numberWordsOf(sayNumberWords({ few: 3, couple: 2 })).words).toEqual({ few: 3, couple: 2 });
  });
});

describe("people", () => {
  const open = async (role: "owner" | "tier" = "owner") => {
    const person = things.person({ numberWords: { few: 3 }, hours: [{ day: 2, from: 540, to: 720 }] });
    const server = things
      .server({ role })
      .answer(listPeople, { people: [person] })
      .answer(editPerson, person)
      .answer(addPerson, person);
    return { server, ...(await mountIn(server, PeopleView)) };
  };
  const click = (screen: Awaited<ReturnType<typeof open>>["screen"], words: string) =>
    screen
      .findAll("button")
      .find((b) => b.text().startsWith(words))
      ?.trigger("click");

  test("changing one keeps all that is not touched, and names the version that was read", async () => {
    const { server, screen } = await open();
    expect(screen.text()).toContain("Tue 09:00–12:00");
    await click(screen, "Change");
    await click(screen, "Add hours");
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(editPerson)[0]?.body).toMatchObject({
      version: 3,
      skills: ["dubbing"],
      numberWords: { few: 3 },
      hours: [
        { day: 2, from: 540, to: 720 },
        { day: 1, from: 540, to: 720 },
      ],
    });
    expect(screen.find("form").exists()).toBe(false);
  });
  describe("access", () => {
    const other = things.person({ id: things.id(2), name: "Ben Mole", login: "ben", role: "tier" });
    const openTwo = async (role: "owner" | "tier", ben = other) => {
      const server = things
        .server({ role })
        .answer(listPeople, { people: [things.person(), ben] })
        .answer(changePassword, { ok: true })
        .answer(resetPassword, { ok: true })
        .answer(endAccess, ben)
        .answer(giveAccess, ben);
      return { server, ...(await mountIn(server, PeopleView)) };
    };
    const press = async (screen: Awaited<ReturnType<typeof openTwo>>["screen"], words: string) => {
      await screen
        .findAll("button")
        .find((b) => b.text() === words)
        ?.trigger("click");
      await settle();
    };
    test("one's own password is changed with the present one, that of another without", async () => {
      const { server, screen } = await openTwo("owner");
      await press(screen, "New password for Ada Quarry");
      const [present, next] = screen.findAll("form input");
      await present?.setValue("the present one");
      await next?.setValue("the next long one");
      await screen.get("form").trigger("submit");
      await settle();
      expect(server.of(changePassword)[0]?.body).toEqual({ current: "the present one", password: "the next long one" });
      await press(screen, "New password for Ben Mole");
      expect(screen.findAll("form input")).toHaveLength(1);
      await screen.get("form input").setValue("told face to face");
      await screen.get("form").trigger("submit");
      await settle();
      expect(server.of(resetPassword)[0]).toMatchObject({
        params: { id: things.id(2) },
        body: { password: "told face to face" },
      });
      expect(screen.find("form").exists()).toBe(false);
    });
    test("is ended only after it has been said what that means", async () => {
      const { server, screen } = await openTwo("owner");
      await press(screen, "End access of Ben Mole");
      expect(server.of(endAccess)).toHaveLength(0);
      expect(screen.text()).toContain("signed out everywhere at once");
      await press(screen, "End the access");
      expect(server.of(endAccess)[0]?.params).toEqual({ id: things.id(2) });
    });
    test("a refusal stands beside the person whom it is about", async () => {
      const { server, screen } = await openTwo("owner");
      server.answer(
        endAccess,
        refused({ type: "last-owner", title: "Not possible", status: 409, detail: "This is the last owner." }),
      );
      await press(screen, "End access of Ben Mole");
      await press(screen, "End the access");
      expect(screen.text()).toContain("This is the last owner.");
    });
    test("is given again to whom it was ended; others see only their own", async () => {
      const { server, screen } = await openTwo("owner", { ...other, endedAt: "2026-11-01T08:00:00Z" });
      expect(screen.text()).toContain("may not sign in");
      await press(screen, "Let in again: Ben Mole");
      expect(server.of(giveAccess)).toHaveLength(1);
      const tier = await openTwo("tier");
      expect(tier.screen.text()).not.toContain("New password for Ben Mole");
      expect(tier.screen.text()).toContain("New password for Ada Quarry");
    });
  });
  test("is not saved with a number word that cannot be read", async () => {
    const { screen } = await open();
    await click(screen, "Change");
    await fieldOf(screen, "Number words, such as “couple 2, few 3”, and lengths in mm: “finger 20”").setValue(
      "few three",
    );
    expect(screen.text()).toContain("few three cannot be read");
    expect(screen.get("form .btn-main").attributes("disabled")).toBeDefined();
  });
  test("a new one has a sign-in; whoever does not manage people sees no such thing", async () => {
    const { server, screen } = await open();
    await click(screen, "Add a person");
    const [name, login, password] = screen.findAll("form input");
    await name?.setValue("Jo Weir");
    await login?.setValue("jo");
    await password?.setValue("a long enough one");
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(addPerson)[0]?.body).toMatchObject({ name: "Jo Weir", login: "jo", role: "tier", hours: [] });
    const tier = await open("tier");
    expect(tier.screen.text()).not.toContain("Add a person");
  });
});

describe("signing in", () => {
  test("a wrong password is answered beside the form, and what was typed stays", async () => {
    const server = new FakeServer()
      .answer(me, { person: null, demo: [], isNew: false })
      .answer(signIn, () =>
        refused({ type: "wrong-password", title: "No", status: 401, detail: "Not the right password." }),
      );
    const { screen } = await mountIn(server, SignIn);
    await screen.get("input[autocomplete=username]").setValue("ada");
    await screen.get("input[type=password]").setValue("not the one");
    await screen.get("form").trigger("submit");
    await settle();
    expect(screen.text()).toContain("Not the right password.");
    expect(screen.get<HTMLInputElement>("input[autocomplete=username]").element.value).toBe("ada");
  });
  test("a new installation asks for the printed code and makes its owner", async () => {
    const server = new FakeServer()
      .answer(me, { person: null, demo: [], isNew: true })
      .answer(setUp, { person: things.person(), demo: [], isNew: false } as never);
    const { screen } = await mountIn(server, SignIn);
    const typed = ["CODE-1", "Ada Quarry", "ada", "a long enough one"];
    for (const [i, field] of screen.findAll("form input").entries()) await field.setValue(typed[i]);
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(setUp)[0]?.body).toEqual({ code: typed[0], name: typed[1], login: typed[2], password: typed[3] });
  });
});
