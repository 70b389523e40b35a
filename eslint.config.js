import js from "@eslint/js";
import vue from "eslint-plugin-vue";
import { builtinModules } from "node:module";
import tseslint from "typescript-eslint";

const rooms = [
  "hooks",
  "patterns",
  "tying",
  "orders",
  "batches",
  "materials",
  "stock",
  "schedule",
  "bench",
  "box",
  "book",
  "team",
  "drawing",
];

/** Directions between floors: web → contract, core; server → contract, core; contract → core; core → nothing of ours. */
const floors = {
  core: ["@kasten/*", "**/contract/**", "**/server/**", "**/web/**"],
  contract: ["@kasten/server/*", "@kasten/web/*", "**/server/**", "**/web/**"],
  server: ["@kasten/web/*", "**/web/**"],
  web: ["@kasten/server/*", "**/server/**", "typeorm", "express", "pg"],
};
/** A room is entered by its index only, from another room of the same floor and through a package's door. */
const insides = rooms.flatMap((r) => [`../${r}/*`, `../../${r}/*`]);
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
      "vue/max-attributes-per-line": "off",
      "vue/singleline-html-element-content-newline": "off",
      "vue/html-self-closing": "off",
      "vue/html-indent": "off",
      "vue/html-closing-bracket-newline": "off",
      "vue/multiline-html-element-content-newline": "off",
      "vue/first-attribute-linebreak": "off",
      "vue/attributes-order": "off",
      "vue/require-default-prop": "off",
      "vue/block-lang": "off",
    },
  },
  {
    files: ["core/**/*.ts"],
    ignores: ["core/**/*.test.ts"],
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
  { files: ["contract/**/*.ts"], rules: restrict("contract", [insideRule]) },
  {
    files: ["server/**/*.ts"],
    ignores: ["server/**/*.test.ts", "server/testing/**"],
    rules: restrict("server", [insideRule]),
  },
  { files: ["web/**/*.{ts,vue}"], rules: restrict("web", [insideRule]) },
);
