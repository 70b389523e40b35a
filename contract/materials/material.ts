import { z } from "zod";
import { materialForms, standings, type Material } from "@kasten/core/materials";
import { stockUnits } from "@kasten/core/units";
import { figure, sentence, short, size, table, words, type Same } from "../http";

const strand = z.strictObject({
  section: z.enum(["round", "oval", "flat"]).optional(),
  width: figure("widthMm"),
  thickness: figure("thicknessMm"),
  core: figure("coreMm").optional(),
  density: figure("density").optional(),
  lineDensity: figure("lineDensity").optional(),
});
/** From 1, the least, to 5, the most. */
const rating = z.number().min(0).max(5);
/** What the computation needs of a material. */
export const materialSchema = z.strictObject({
  code: z.string().trim().min(1, "Give it a code").max(60),
  name: z.string().trim().min(1, "Give it a name").max(80),
  form: z.enum(materialForms),
  unit: z.enum(stockUnits),
  colour: words.optional(),
  colourName: words.optional(),
  measured: z.boolean(),
  lead: z.boolean(),
  controlledSpecies: words.optional(),
  caution: sentence.optional(),
  strand: strand.optional(),
  dubbing: z
    .strictObject({
      density: figure("density"),
      lineDensity: figure("lineDensity"),
      loss: figure("share").optional(),
    })
    .optional(),
  part: z
    .strictObject({
      diameter: figure("partDiameterMm"),
      length: figure("partLengthMm"),
      mass: figure("partMassMg"),
      bore: figure("boreMm").optional(),
      cavityMm: figure("cavityMm").optional(),
    })
    .optional(),
  thread: z
    .strictObject({
      denier: figure("denier"),
      fibre: z.enum(["polyester", "nylon", "gel-spun"]),
      aspect: z.enum(["asItComes", "flat", "corded"]).optional(),
    })
    .optional(),
  feather: z
    .strictObject({
      usable: figure("usableMm"),
      grip: figure("featherGripMm"),
      perMm: figure("fibresPerMm"),
      span: figure("featherSpanMm"),
      sides: figure("sides"),
      unusable: figure("share"),
      otherPerMm: figure("fibresPerMm").optional(),
      soft: z.boolean().optional(),
    })
    .optional(),
  fibreMm: figure("fibreMm").optional(),
  pieceMm: figure("hankMm").optional(),
  hair: z.strictObject({ density: figure("density") }).optional(),
  hide: z.strictObject({ areaMm2: figure("hideMm2"), loss: figure("share") }).optional(),
  qualities: z
    .strictObject({ mobility: rating.optional(), strength: rating.optional(), floats: rating.optional() })
    .optional(),
  liquid: z
    .strictObject({ kind: z.enum(["lacquer", "resin", "glue"]), body: z.enum(["thin", "gel"]).optional() })
    .optional(),
  fliesPerPacket: figure("fliesPerPacket").optional(),
  prepLoss: z.strictObject({ share: figure("prepShare"), what: z.string().max(80) }).optional(),
  faces: z
    .array(z.strictObject({ name: short, colour: words }))
    .max(2)
    .optional(),
  gauge: z.string().max(20).optional(),
  standing: z.enum(standings).optional(),
  secondLife: z.string().trim().min(1, "Say what for, or nothing").max(120, "At most 120 characters").optional(),
  orderBelow: z.number().int("Whole units").min(1, "More than nothing").max(1_000_000_000_000).optional(),
  blend: z
    .strictObject({
      parts: table(figure("blendPart"), 24),
      leastChargeMg: figure("leastChargeMg"),
      /** Its parts lie over each other in a loop: each is taken by itself, and no mill mixes them. */
      laid: z.boolean().optional(),
    })
    .optional(),
  madeOf: table(z.number().int("Whole pieces").min(1, "At least one").max(60, "At most 60 in one part"), 6).optional(),
  hook: z.strictObject({ model: short, size }).optional(),
});

/** What is sent and what is computed with are one thing: this line does not compile when they part. */
export const materialIsOneType: Same<z.infer<typeof materialSchema>, Material> = true;
