import { previewFile, takeInFile, type FilePreview } from "@kasten/contract/files";
import type { ReplyOf } from "@kasten/contract/http";
import type { Register, TextChange } from "../http/handle";

/** What reads files, beside the server: they may be large. */
export interface Files {
  previewed: (change: TextChange) => Promise<FilePreview>;
  takenIn: (change: TextChange) => Promise<ReplyOf<typeof takeInFile>>;
}

export function fileRoutes(register: Register, { files }: { files: Files }): void {
  register.handedOn(previewFile, files.previewed);
  register.handedOn(takeInFile, files.takenIn);
}
