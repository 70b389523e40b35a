export * from "./needs";
export * from "./stockOutlook";
