import type { StockDetail } from "@kasten/contract/stock";
import { materials, model, recipe } from "@kasten/core/testing";
import type { BatchDetail } from "@kasten/contract/batches";
import { catalogue } from "@kasten/contract/catalogue";
import type { ReplyOf } from "@kasten/contract/http";
import type { RequirementData } from "@kasten/contract/materials";
import { listStanding, type Order } from "@kasten/contract/orders";
import { readRecipes, type PatternEntry } from "@kasten/contract/patterns";
import { readCalendarKey, readOdds } from "@kasten/contract/schedule";
import { me, type Person } from "@kasten/contract/team";
import { FakeServer } from "./room";

/** A small room for mounted screens: one nymph, one customer; new on each call, so that a test may change it. */
export const id = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, "0")}`;

export const person = (of: Partial<Person> = {}): Person => ({
  id: id(1),
  login: "ada",
  name: "Ada Quarry",
  role: "owner",
  skills: ["dubbing"],
  hours: [{ day: 1, from: 540, to: 720 }],
  pace: 1,
  handed: "right",
  numberWords: {},
  methods: {},
  endedAt: null,
  absences: [],
  extraHours: [],
  learns: false,
  version: 3,
  ...of,
});
export const entry = (of: Partial<PatternEntry> = {}): PatternEntry => {
  const r = recipe();
  return {
    id: "yard-nymph",
    name: "Yard Nymph",
    style: "nymph",
    origin: "",
    species: "",
    version: 1,
    hookModel: r.hookModel,
    sizes: r.sizes,
    variants: r.variants.map(({ id: v, name }) => ({ id: v, name })),
    forms: r.forms.map(({ id: f, name }) => ({ id: f, name })),
    minutesPerFly: r.minutesPerFly,
    pricePerDozenCents: recipe().pricePerDozenCents,
    skills: r.skills,
    sample: false,
    materials: [...materials.keys()],
    missing: [],
    ...of,
  };
};
export const room = (of: Partial<ReplyOf<typeof catalogue>> = {}): ReplyOf<typeof catalogue> => ({
  today: "2026-11-23",
  settings: {
    shop: "A tying room",
    timeZone: "Europe/Berlin",
    serviceLevel: 0.95,
    promiseLevel: 0.9,
    awayPercent: 2,
    tray: 24,
    windowDays: 14,
    restPerHour: 10,
    seasons: [],
    changeOver: { pattern: 3, thread: 1, hook: 1 },
    breaks: [],
    rackPlaces: 240,
    currency: "€",
    units: "mm",
    holidays: [],
    sharedTools: [],
    stations: [
      { name: "finishing", places: 1, down: null },
      { name: "mill", places: 1, down: null },
    ],
  },
  patterns: [entry()],
  materials: [...materials.values()].map((m) => ({ ...structuredClone(m), version: 1 })) as ReplyOf<
    typeof catalogue
  >["materials"],
  hooks: [
    {
      ...model,
      family: "nymph",
      bend: "round",
      gapeSteps: 0,
      points: 1,
      eyeForm: "straight",
      finish: "",
      wireReason: "",
      near: [],
      rows: ["10", "12", "14"].map((size) => ({ size })),
    },
  ],
  customers: [
    {
      id: "mill-shop",
      name: "Mill Shop",
      kind: "shop",
      rank: 2,
      policy: "alternates",
      destination: { noLead: false, barblessOnly: false, forbiddenSpecies: [] },
      discount: 0,
      note: "",
      version: 1,
    },
  ],
  ...of,
});
export const recipes = (): ReplyOf<typeof readRecipes> => ({
  recipes: [{ id: "yard-nymph", version: 1, current: true, recipe: recipe() }],
});
export const requirement = (of: Partial<RequirementData> = {}): RequirementData => ({
  key: "hook",
  component: "hook",
  role: "hook",
  material: "hook:N:12",
  materialName: "Nymph, 12",
  colour: null,
  unit: "count",
  side: null,
  perFly: 1,
  net: 24,
  expected: 25,
  issue: 26,
  words: "26 hooks",
  working: {
    formula: "Pieces to issue",
    written: "n",
    inputs: [],
    through: [],
    result: { name: "to issue", value: 26, unit: "pieces" },
  },
  reserved: [],
  pulled: 0,
  free: 100,
  short: 0,
  remedy: null,
  earliest: null,
  caution: null,
  lead: false,
  ...of,
});
export const batch = (of: Partial<BatchDetail> = {}): BatchDetail => ({
  id: id(40),
  number: 40,
  pattern: "yard-nymph",
  patternName: "Yard Nymph",
  patternVersion: 1,
  tiers: [],
  newestVersion: 1,
  variant: "olive",
  form: recipe().forms[0]?.id ?? "",
  size: "12",
  state: "planned",
  held: false,
  mode: "fly by fly",
  buy: [],
  methods: {},
  leave: [],
  use: {},
  asked: {},
  mixLots: false,
  owed: 24,
  starts: 26,
  due: "2026-12-18",
  version: 5,
  bobbins: [],
  kitOffers: [],
  kitParts: [],
  tied: { good: of.good ?? 0, wholeFly: of.rejected ?? 0, hookKept: 0, timeOnly: 0 },
  good: 0,
  rejected: 0,
  minutes: 180,
  exceptions: [],
  claims: [
    {
      line: id(70),
      order: 9,
      orderId: id(9),
      customer: "Mill Shop",
      due: "2026-12-18",
      flies: 24,
      wishes: "",
      policy: "alternates",
      destination: { noLead: false, barblessOnly: false, forbiddenSpecies: [] },
      exception: null,
    },
  ],
  requirements: [requirement()],
  prep: [],
  held_back: [],
  history: [],
  startsWorking: { owed: 24, good: 20, bad: 1, level: 0.95, chance: 0.96, batches: 0 },
  buyable: [],
  breaches: [],
  cautions: [],
  ...of,
});
export const order = (of: Partial<Order> = {}): Order => ({
  id: id(9),
  number: 9,
  customer: "mill-shop",
  customerName: "Mill Shop",
  due: "2026-12-18",
  dueReason: null,
  note: "",
  text: "2dz Yard Nymph 12 olive; Mill Shop, 18 Dec",
  version: 1,
  createdAt: "2026-11-20T08:00:00Z",
  createdBy: "Ada Quarry",
  closedAt: null,
  exception: null,
  lines: [
    {
      id: id(70),
      position: 0,
      pattern: "yard-nymph",
      patternName: "Yard Nymph",
      variant: "olive",
      form: recipe().forms[0]?.id ?? "",
      size: "12",
      flies: 24,
      policy: null,
      due: null,
      wishes: "",
      asked: {},
      pricePerDozenCents: 2400,
      promisedFor: "2026-12-18",
      promisedOdds: null,
      boxed: 0,
      ready: 0,
      inBatches: 24,
    },
  ],
  ...of,
});

/** A server with the room, its recipes and whoever is signed in. */
export const server = (who: Partial<Person> = {}, has: Partial<ReplyOf<typeof catalogue>> = {}): FakeServer =>
  new FakeServer()
    .answer(me, { person: person(who), demo: [], isNew: false })
    .answer(catalogue, room(has))
    .answer(readOdds, { orders: [] })
    .answer(listStanding, { standing: [] })
    .answer(readCalendarKey, { madeAt: null })
    .answer(readRecipes, recipes());
type LotInDrawer = StockDetail["lotList"][number];
export const lotInDrawer = (of: Partial<LotInDrawer> = {}): LotInDrawer => ({
  id: id(5),
  code: "W-5",
  dyeLot: "",
  grade: "",
  side: null,
  barb: null,
  receivedAt: "2026-10-01T08:00:00Z",
  place: "C4",
  placeId: 12,
  bobbin: false,
  inKit: false,
  quantity: 64_100_000,
  reserved: 0,
  remnant: false,
  soldAs: "spool",
  openedOn: null,
  expiresOn: null,
  apartUntil: null,
  papers: "",
  note: "",
  skin: null,
  ...of,
});
export const stock = (of: Partial<StockDetail> = {}): StockDetail => ({
  code: "wire",
  name: "copper wire",
  form: "wire",
  unit: "um",
  colour: null,
  drawer: "C4",
  quantity: 64_100_000,
  reserved: 0,
  lots: 1,
  lead: false,
  full: null,
  coversDozens: null,
  needed: 0,
  colourName: null,
  caution: null,
  measured: false,
  fliesLeft: null,
  skinYield: null,
  lotList: [lotInDrawer()],
  movements: [],
  sources: [],
  ...of,
});
