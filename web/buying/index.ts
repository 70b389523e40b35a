export { default as BuyingPlan } from "./BuyingPlan.vue";
export { default as PurchaseList } from "./PurchaseList.vue";
