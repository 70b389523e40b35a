import { defineAsyncComponent } from "vue";

/** Opened from a list or an order: it comes when it is asked for. */
export const CustomerForm = defineAsyncComponent(() => import("./CustomerForm.vue"));
export { default as CustomerList } from "./CustomerList.vue";
