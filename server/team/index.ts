export * from "./passwords";
export * from "./people";
export * from "./routes";
export { setUpCode } from "./session";
export { forgetOldTries } from "./tries";
