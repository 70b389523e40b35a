/** Colours as people name them, as seen: enough to draw a material that was only described. */
const colours: Record<string, string> = {
  black: "#1f2021",
  white: "#eeece4",
  grey: "#7d8083",
  dun: "#7f868c",
  slate: "#5f6b73",
  brown: "#6d4a2d",
  chestnut: "#6b3f22",
  ginger: "#b0773c",
  tan: "#b3946a",
  fawn: "#b89b74",
  cream: "#e7dcbf",
  ivory: "#ece4cf",
  olive: "#6b6b34",
  green: "#3f7a45",
  chartreuse: "#a9c93a",
  lime: "#9cc53d",
  teal: "#2f7a7a",
  blue: "#2d5f9c",
  navy: "#23304d",
  purple: "#5d3a78",
  violet: "#5b4390",
  claret: "#6d1f34",
  wine: "#5f1e33",
  magenta: "#a4307a",
  pink: "#d98aa0",
  red: "#a3252b",
  crimson: "#8f1d2c",
  scarlet: "#b5281f",
  orange: "#cf6a24",
  amber: "#c07a24",
  rust: "#9a4f27",
  ember: "#c5532a",
  fiery: "#a8481f",
  yellow: "#d9b93b",
  gold: "#c9a227",
  silver: "#b9bcbd",
  copper: "#b5652a",
  bronze: "#7d5f33",
  pearl: "#dfe3e0",
  peat: "#4c3a2b",
  natural: "#a08a68",
  sand: "#c9b48a",
  clear: "#cfd6d2",
  primrose: "#e3d27a",
  lemon: "#e6d84a",
  straw: "#d8c47c",
  caramel: "#a9713a",
  chocolate: "#4b2f20",
  peach: "#e6ad86",
  salmon: "#dd8a72",
  coral: "#d9685a",
  maroon: "#5e1d27",
  burgundy: "#5a1a2b",
  mauve: "#8f7397",
  lilac: "#a893bf",
  turquoise: "#3aa2a0",
  charcoal: "#3b3d3f",
  mahogany: "#5b2b22",
  cinnamon: "#8a5a34",
  buff: "#cdb38a",
  beige: "#c9b899",
  khaki: "#8a7f56",
  apricot: "#e0a070",
  fuchsia: "#b8307f",
  cerise: "#c22f62",
  sepia: "#5a4632",
  gunmetal: "#4a5055",
  pewter: "#80858a",
  champagne: "#e0d2b4",
  mustard: "#b8962e",
  ochre: "#b5832f",
  sulphur: "#e2d860",
  honey: "#c79a45",
  mint: "#9cc7a8",
  emerald: "#2f8a55",
  ruby: "#8e1f35",
  cherry: "#9a1f2e",
  plum: "#5b2f4d",
  brick: "#94452f",
  smoke: "#8f9398",
  moss: "#667038",
  sage: "#8d9a76",
};

/** Other words for the same colour. */
const alike: Record<string, string> = {
  gray: "grey",
  rusty: "rust",
  golden: "gold",
  silvery: "silver",
  coppery: "copper",
  olives: "olive",
  reddish: "red",
  brownish: "brown",
  greyish: "grey",
  yellowish: "yellow",
  greenish: "green",
  transparent: "clear",
  buff: "fawn",
  beige: "tan",
  turquoise: "teal",
  maroon: "claret",
  blk: "black",
  brn: "brown",
  olv: "olive",
  wht: "white",
  ylw: "yellow",
  yel: "yellow",
  gry: "grey",
  grn: "green",
  chart: "chartreuse",
};

/** The one word for a colour, or the word itself where it is none. */
export const plainColour = (word: string): string => alike[word] ?? word;

export const isColour = (word: string): boolean =>
  plainColour(word) in colours ||
  // “blue-black”, “red-brown”
  (/^\p{L}+-\p{L}+$/u.test(word) && word.split("-").every((half) => plainColour(half) in colours));

/**
 * How a colour that is named in a text is seen; the first that is named counts, and “natural” where no other is: of
 * “natural grey rabbit” the other says which. Undefined where none is.
 */
export function colourIn(text: string): { name: string; seen: string } | undefined {
  const named = text
    .toLowerCase()
    .split(/[^a-z]+/)
    .map(plainColour)
    .filter((name) => colours[name] !== undefined);
  const name = named.find((n) => n !== "natural") ?? named[0];
  const seen = name === undefined ? undefined : colours[name];
  return name === undefined || seen === undefined ? undefined : { name, seen };
}
