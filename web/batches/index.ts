export * from "./useBatchFly";
