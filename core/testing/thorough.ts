/** Whether `npm run fuzz` asks: what takes minutes runs at its full size there, and at a share of it in `npm test`. */
export const thorough = process.env.FUZZ_SEED !== undefined;
