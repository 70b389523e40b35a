import js from "@eslint/js";
import vue from "eslint-plugin-vue";
import { readdirSync } from "node:fs";
import { builtinModules } from "node:module";
import tseslint from "typescript-eslint";

/** Folders without a door: what is no source, and shelves of single pieces that are taken one by one. */
const notRooms = ["node_modules", "dist", "testing", "public", "styles", "parts", "http", "database"];
const foldersOf = (floor) =>
  readdirSync(new URL(`./${floor}/`, import.meta.url), { withFileTypes: true })
    .filter((f) => f.isDirectory() && !notRooms.includes(f.name))
    .map((f) => f.name);
const rooms = [...new Set(["core", "contract", "server", "web"].flatMap(foldersOf))];

/**
 * Directions between floors: web → contract, core; server → contract, core; contract → core; core → nothing of ours.
 */
const floors = {
  core: ["@kasten/*", "**/contract/**", "**/server/**", "**/web/**"],
  contract: ["@kasten/server/*", "@kasten/web/*", "**/server/**", "**/web/**"],
  server: ["@kasten/web/*", "**/web/**"],
  web: ["@kasten/server/*", "**/server/**", "typeorm", "express", "pg"],
};
/**
 * A room is entered by its index only, from another room of the same floor and through a package's door. That nobody
 * goes round in circles, tools/house.test.ts holds, through .vue files too.
 */
const insides = rooms.flatMap((r) => [`../${r}/*`, `../../${r}/*`, `../../../${r}/*`]);
const doors = rooms.map((r) => `@kasten/*/${r}/*`);
const effects = [...builtinModules, "node:*", "vue", "express", "typeorm", "pg"];

const restrict = (floor, extra = []) => ({
  "no-restricted-imports": [
    "error",
    {
      patterns: [
        { group: floors[floor], message: `The ${floor} floor does not import from there: dependencies point inward.` },
        { group: doors, message: "Enter a room by its index." },
        ...extra,
      ],
    },
  ],
});
const insideRule = { group: insides, message: "Enter another room by its index." };
const pure = { group: effects, message: "Core has no I/O and no screen." };
/** A read that is refused must not leave a screen empty without a word. */
const readRule = {
  group: ["@pinia/colada"],
  importNames: ["useQuery"],
  message: "Read with useRead: the frame then says what could not be read.",
};
/** The pages of a single thing say it themselves, and the session is asked before there is a frame. */
const readsItself = [
  "web/http/useRead.ts",
  "web/team/session.ts",
  "web/{buying/Purchase,orders/Order,batches/Batch,stock/Stock,stock/Lot}Page.vue",
];

export default tseslint.config(
  {
    ignores: ["**/node_modules/**", "**/dist/**", ".data/**", "test-results/**", "playwright-report/**", "coverage/**"],
  },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  ...vue.configs["flat/recommended"],
  { files: ["**/*.vue"], languageOptions: { parserOptions: { parser: tseslint.parser } } },
  {
    rules: {
      "@typescript-eslint/no-explicit-any": "error",
      "@typescript-eslint/no-unused-vars": [
        "error",
        { argsIgnorePattern: "^_", varsIgnorePattern: "^_", ignoreRestSiblings: true },
      ],
      "no-undef": "off",
      // Prettier lays templates out; the rules that cannot follow it stay off, the others hold it to account.
      "vue/max-attributes-per-line": "off",
      "vue/first-attribute-linebreak": "off",
      "vue/html-self-closing": ["error", { html: { void: "always", normal: "never", component: "always" } }],
      "vue/attributes-order": "error",
      "vue/block-lang": ["error", { script: { lang: "ts" } }],
      "vue/block-order": ["error", { order: ["script", "template", "style"] }],
      "vue/padding-line-between-blocks": "error",
      "vue/singleline-html-element-content-newline": "off",
      "vue/multiline-html-element-content-newline": "off",
      "vue/html-closing-bracket-newline": "off",
      "vue/html-indent": "off",
      "vue/require-default-prop": "off",
      "max-len": [
        "error",
        { code: 120, ignoreUrls: true, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreRegExpLiterals: true },
      ],
      "vue/max-len": "off",
    },
  },
  {
    files: ["core/**/*.ts"],
    // The corpus reads the demo's cabinet from its files: it is a part of a test.
    ignores: [
      "core/**/*.test.ts",
      "core/words/corpus/cabinet.ts",
      "core/words/corpus/recipes.ts",
      "core/orders/corpus/entries.ts",
    ],
    rules: {
      ...restrict("core", [insideRule, pure]),
      "no-restricted-globals": ["error", "window", "document", "process", "fetch"],
      "no-restricted-properties": [
        "error",
        { object: "Math", property: "random", message: "Randomness is seeded and given." },
        { object: "Date", property: "now", message: "Time is given." },
      ],
    },
  },
  { files: ["**/*.vue"], rules: { "max-len": "off" } },
  { files: ["contract/**/*.ts"], rules: restrict("contract", [insideRule]) },
  {
    files: ["server/**/*.ts"],
    ignores: ["server/**/*.test.ts", "server/testing/**"],
    rules: restrict("server", [insideRule]),
  },
  { files: ["web/**/*.{ts,vue}"], rules: restrict("web", [insideRule, readRule]) },
  { files: readsItself, rules: restrict("web", [insideRule]) },
);
