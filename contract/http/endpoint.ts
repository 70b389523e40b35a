import type { z } from "zod";
import type { Permission } from "../permissions";

export type Method = "get" | "post" | "put" | "patch" | "delete";

/** One request that the server answers: the only place where it is described. */
export interface Endpoint<P extends z.ZodType, Q extends z.ZodType, B extends z.ZodType, R extends z.ZodType> {
  id: string;
  method: Method;
  /** Below /api, with :names for parameters. */
  path: string;
  summary: string;
  room: string;
  /** Who may; "anyone" needs no sign-in. */
  permission: Permission;
  /** A change that may be sent again as it is, and of which no reply is kept: signing in and out. */
  keyless?: true;
  params: P;
  query: Q;
  body: B;
  reply: R;
}

/** An endpoint of any shape, for lists of them. */
export type AnyEndpoint = Endpoint<z.ZodType, z.ZodType, z.ZodType, z.ZodType>;

export function endpoint<P extends z.ZodType, Q extends z.ZodType, B extends z.ZodType, R extends z.ZodType>(
  e: Endpoint<P, Q, B, R>,
): Endpoint<P, Q, B, R> {
  return e;
}

export type ParamsOf<E extends AnyEndpoint> = z.infer<E["params"]>;
export type QueryOf<E extends AnyEndpoint> = z.infer<E["query"]>;
/** A query as it is written, before the contract reads it. */
export type QueryInputOf<E extends AnyEndpoint> = z.input<E["query"]>;
export type BodyOf<E extends AnyEndpoint> = z.infer<E["body"]>;
export type ReplyOf<E extends AnyEndpoint> = z.infer<E["reply"]>;
