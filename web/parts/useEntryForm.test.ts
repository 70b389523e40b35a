// @vitest-environment happy-dom
import { describe, expect, test } from "vitest";
import { defineComponent, h, type Component } from "vue";
import { mount } from "@vue/test-utils";
import { z } from "zod";
import { endpoint, none } from "@kasten/contract/http";
import { Refusal } from "../http";
import { settle } from "../testing/room";
import EntryNumber from "./EntryNumber.vue";
import EntryText from "./EntryText.vue";
import FormWrong from "./FormWrong.vue";
import { useEntryForm } from "./useEntryForm";

const put = endpoint({
  id: "put",
  method: "post",
  path: "/spools",
  summary: "",
  room: "stock",
  permission: "anyone",
  params: none,
  query: none,
  body: z.object({
    name: z.string().min(1).max(8),
    lengthMm: z.number().min(1, "Longer than nothing"),
    tags: z.array(z.object({ word: z.string().min(2) })).min(1),
  }),
  reply: none,
});
const refusal = new Refusal({
  type: "invalid",
  title: "No",
  status: 422,
  detail: "No",
  errors: [{ path: "tags.0.word", detail: "That word is taken" }],
});

function open(send: (body: unknown) => Promise<Refusal | null> = () => Promise.resolve(null), tags = [{ word: "a" }]) {
  const Host = defineComponent(() => {
    const form = useEntryForm({
      endpoint: put,
      values: { name: "", metres: undefined as number | undefined, tags },
      body: ({ metres, ...v }) => ({ ...v, lengthMm: metres === undefined ? undefined : metres * 1000 }),
      fields: { lengthMm: "metres" },
      send,
    });
    return () =>
      h("form", { onSubmit: (e: Event) => (e.preventDefault(), form.submit()) }, [
        h(EntryText as Component, { form, name: "name", label: "Name" }),
        h(EntryNumber as Component, { form, name: "metres", label: "Metres" }),
        tags.length > 0 ? h(EntryText as Component, { form, name: "tags[0].word", label: "Word" }) : null,
        h(FormWrong as Component, { form }),
      ]);
  });
  return mount(Host, { attachTo: document.body });
}
const alerts = (form: ReturnType<typeof open>) => form.findAll("[role=alert]").map((a) => a.text());

describe("a form with the contract's schema", () => {
  test("says beside each field what would be right, and sends nothing", async () => {
    const sent: unknown[] = [];
    const form = open((body) => (sent.push(body), Promise.resolve(null)));
    await form.trigger("submit");
    await settle();
    expect(alerts(form)).toEqual(["Write something here", "Write something here", "Write at least 2 characters"]);
    expect(form.findAll("input").map((i) => i.attributes("aria-invalid"))).toEqual(["true", "true", "true"]);
    expect(sent).toEqual([]);
  });
  test("says nothing of a field before it has been left", async () => {
    const form = open();
    const [name] = form.findAll("input");
    await name?.setValue("much too long a name");
    expect(alerts(form)).toEqual([]);
    await name?.trigger("blur");
    await settle();
    expect(alerts(form)).toContain("Write at most 8 characters");
    expect(alerts(form)).not.toContain("Longer than nothing");
  });
  test("a figure that the body has under another name is answered at its own field", async () => {
    const form = open();
    const [name, metres, word] = form.findAll("input");
    await name?.setValue("wire");
    await metres?.setValue("0");
    await word?.setValue("rib");
    await form.trigger("submit");
    await settle();
    expect(alerts(form)).toEqual(["Longer than nothing"]);
  });
  test("what the room refuses stands at its field too, and what was typed stays", async () => {
    const form = open(() => Promise.resolve(refusal));
    const [name, metres, word] = form.findAll("input");
    await name?.setValue("wire");
    await metres?.setValue("2");
    await word?.setValue("rib");
    await form.trigger("submit");
    await settle();
    expect(alerts(form)).toEqual(["That word is taken"]);
    expect(word?.element.value).toBe("rib");
  });
  test("what is wrong and in no field is said below them", async () => {
    const form = open(undefined, []);
    await form.trigger("submit");
    await settle();
    expect(alerts(form).at(-1)).toBe("tags: At least 1 entry");
  });
  test("so is what is wrong with a list that was set as a whole, by its name in words", async () => {
    const save = endpoint({
      ...put,
      id: "save",
      body: z.object({
        spoolTags: z
          .array(z.object({ word: z.string() }))
          .refine((all) => new Set(all.map((t) => t.word)).size === all.length, "Each word once"),
      }),
    });
    const sent: unknown[] = [];
    const Host = defineComponent(() => {
      const form = useEntryForm({
        endpoint: save,
        values: { spoolTags: [{ word: "rib" }] },
        send: (body) => (sent.push(body), Promise.resolve(null)),
      });
      const add = () => form.api.setFieldValue("spoolTags", [{ word: "rib" }, { word: "rib" }] as never);
      return () =>
        h("form", { onSubmit: (e: Event) => (e.preventDefault(), form.submit()) }, [
          h("button", { type: "button", onClick: add }, "Add"),
          h(FormWrong as Component, { form }),
        ]);
    });
    const form = mount(Host, { attachTo: document.body });
    await form.get("button").trigger("click");
    await form.trigger("submit");
    await settle();
    expect(form.get("[role=alert]").text()).toBe("spool tags: Each word once");
    expect(sent).toEqual([]);
  });
});
