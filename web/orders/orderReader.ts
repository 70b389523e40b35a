import { readOrder, type Catalogue, type ReadOrder } from "@kasten/core/orders";

/** What is read first takes many times as long as what follows: this is read before somebody types. */
const WARMING = `An order to begin with, due 12 March
2 dz of each, 14 and 16 olive, barbless
1 1/2 dozen in amber size 12 instead of 10
thirty of the black ones, by the end of May, please`;

let catalogue: Catalogue | undefined;
/** What reads orders in a thread of its own. */
export const orderReader = {
  /** @param given what an order may name, before one is read with it */
  load(given: Catalogue): void {
    catalogue = given;
    readOrder(WARMING, given);
  },
  read(text: string): ReadOrder {
    if (!catalogue) throw new Error("No catalogue has been given to read orders with.");
    return readOrder(text, catalogue);
  },
};
