export * from "./beads";
export * from "./benchStep";
export * from "./checks";
export * from "./direction";
export * from "./threadWay";
