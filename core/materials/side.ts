/** Of feathers that are mirror images: from the left or from the right of the bird. */
export type Side = "left" | "right";
