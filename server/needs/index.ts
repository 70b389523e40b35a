export * from "./coming";
export * from "./needs";
export * from "./stockOutlook";
