import { PiniaColada } from "@pinia/colada";
import { createPinia } from "pinia";
import { createApp } from "vue";
import App from "./App.vue";
import { applyTheme } from "./frame/theme";
import { router } from "./router";
import "./styles/tokens.css";

applyTheme();
createApp(App)
  .use(createPinia())
  .use(PiniaColada, { queryOptions: { staleTime: 15_000 } })
  .use(router)
  .mount("#app");
