export * from "./allocate";
