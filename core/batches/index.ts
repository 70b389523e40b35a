export * from "./gate";
export * from "./gather";
export * from "./prep";
export * from "./reconcile";
