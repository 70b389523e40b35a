import { reactive } from "vue";

/** Whether the server and its database answer. Written here only. */
export const connection = reactive({
  away: null as null | "server" | "database",
  since: 0,
  /** Signing out: the page goes away, and what it still asks for is nobody's business any more. */
  leaving: false,
  /** Requests that are on their way. */
  pending: 0,
  reached() {
    this.away = null;
  },
  missed(what: "server" | "database") {
    if (!this.away) this.since = Date.now();
    this.away = what;
  },
});
