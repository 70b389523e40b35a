export * from "./allocate";
export * from "./cutList";
export * from "./feathers";
export * from "./runway";
export * from "./scale";
export * from "./weigh";
export * from "./traits";
export * from "./wall";
