export * from "./question";
export * from "./figures";
export * from "./density";
export * from "./questions";
export * from "./habits";
export * from "./school";
export * from "./dressing";
export * from "./schooling";
