import { makeTemplate } from "./serve.mjs";

/** The demo room that every file of browser tests copies. */
export const TEMPLATE = "e2e_template";

export default () => makeTemplate(TEMPLATE);
