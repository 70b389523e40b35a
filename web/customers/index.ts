export { default as CustomerForm } from "./CustomerForm.vue";
export { default as CustomerList } from "./CustomerList.vue";
