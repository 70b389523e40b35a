import { revalidateLogic, useField, useForm, useSelector, type AnyFormApi } from "@tanstack/vue-form";
import { computed, ref, type Ref } from "vue";
import type { z } from "zod";
import { wrongIn, type AnyEndpoint, type BodyOf, type Wrong } from "@kasten/contract/http";
import type { Refusal } from "../http";

/** A form that is being filled in. Its fields are parts of their own and know it by this. */
export interface EntryForm<V extends object> {
  /** The form of the library, for the fields. */
  api: AnyFormApi;
  values: Readonly<Ref<V>>;
  /** Paths of the fields that were refused after they were sent, with the sentence. */
  refused: Ref<ReadonlyMap<string, string>>;
  /** Wrong all over, not in a field that is in sight. */
  elsewhere: Ref<string[]>;
  isBusy: Ref<boolean>;
  isTouched: Ref<boolean>;
  submit: () => Promise<void>;
  /** Empties it for the next. */
  restart: (values?: V) => void;
}

/** The path of a field as the form has it: hours[0].to. */
const inForm = (path: string): string => path.replace(/\.(\d+)(?=\.|$)/g, "[$1]");

/** A path for people: “shared tools”. */
const inWords = (path: string): string => path.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`);

interface Plan<V extends object, E extends AnyEndpoint> {
  values: V;
  /** What the values are checked by: the body of the request that they become. */
  endpoint: E;
  /** The request that the values become; by itself they are it. */
  body?: (values: V) => unknown;
  /** Fields by the path of the body that they stand for, where the two differ. */
  fields?: Record<string, string>;
  /** Sends what was found right, and gives the refusal, if there was one. */
  send: (body: BodyOf<E>, values: V) => Promise<Refusal | null | undefined>;
}

/**
 * A form with the contract's own schema: what is wrong is said beside its field once it has been left, and what the
 * room refuses is said there too.
 */
export function useEntryForm<V extends object, E extends AnyEndpoint>(plan: Plan<V, E>): EntryForm<V> {
  const schema: z.ZodType = plan.endpoint.body;
  const refused = ref<ReadonlyMap<string, string>>(new Map());
  const elsewhere = ref<string[]>([]);
  const bodyOf = (values: V): unknown => (plan.body ?? ((v: V) => v))(values);
  const fieldOf = (path: string): string => plan.fields?.[path] ?? inForm(path);
  const byField = (wrong: Wrong[]): Record<string, string> =>
    Object.fromEntries(wrong.map((w) => [fieldOf(w.path), w.detail]));

  const form = useForm({
    defaultValues: plan.values,
    validationLogic: revalidateLogic({ mode: "blur", modeAfterSubmission: "change" }),
    validators: {
      onDynamic: ({ value }) => {
        const fields = byField(wrongIn(schema, bodyOf(value as V)));
        return Object.keys(fields).length > 0 ? { fields } : undefined;
      },
    },
    onSubmit: async ({ value }) => {
      refused.value = new Map();
      const refusal = await plan.send(schema.parse(bodyOf(value as V)) as BodyOf<E>, value as V);
      const errors = refusal?.problem.errors ?? [];
      refused.value = new Map(errors.map((e) => [fieldOf(e.path), e.detail]));
    },
  });
  // Its type names each field by its path; here fields are told apart by what the contract calls them.
  const api = form as unknown as AnyFormApi;
  const values = useSelector(api.store, (s) => s.values as V);
  return {
    api,
    values,
    refused,
    elsewhere,
    isBusy: useSelector(api.store, (s) => s.isSubmitting),
    isTouched: useSelector(api.store, (s) => s.isTouched),
    submit: async () => {
      // A list that was set as a whole has an entry, but no field that could say what is wrong with it.
      const infos = Object.entries(api.fieldInfo as Record<string, { instance: unknown } | undefined>);
      const known = new Set(infos.flatMap(([name, info]) => (info?.instance ? [name] : [])));
      elsewhere.value = wrongIn(schema, bodyOf(values.value))
        .filter((w) => !known.has(fieldOf(w.path)))
        .map((w) => (w.path ? `${inWords(w.path)}: ${w.detail}` : w.detail));
      await api.handleSubmit();
    },
    restart: (next) => {
      refused.value = new Map();
      elsewhere.value = [];
      api.reset(next ?? plan.values);
    },
  };
}

/** One field of a form: its value, what is wrong with it, and how it is changed. */
export function useEntry<V extends object>(form: EntryForm<V>, name: string) {
  // Its state is read anew each time: what is taken out of it once does not change any more.
  const field = useField({ form: form.api, name });
  const attempts = useSelector(form.api.store, (s) => s.submissionAttempts);
  const wrong = computed(() => {
    const { isBlurred, errorMap } = field.state.meta as { isBlurred: boolean; errorMap: Record<string, unknown> };
    const first = Object.values(errorMap).find((e): e is string => typeof e === "string");
    return (isBlurred || attempts.value > 0 ? first : undefined) ?? form.refused.value.get(name);
  });
  return {
    value: computed(() => field.state.value as unknown),
    wrong,
    set: (value: unknown): void => field.api.handleChange(value),
    leave: (): void => field.api.handleBlur(),
  };
}
