export * from "./people";
export * from "./routes";
export * from "./slowSignIn";
