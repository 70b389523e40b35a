import type { editBatch } from "@kasten/contract/batches";
import type { BodyOf } from "@kasten/contract/http";

/** What is changed about a batch while it is planned; the version goes with it when it is sent. */
export type BatchChange = Omit<BodyOf<typeof editBatch>, "version">;
