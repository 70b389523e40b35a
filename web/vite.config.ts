import tailwind from "@tailwindcss/vite";
import { defineConfig } from "vite";
import { components } from "./components.config.ts";

export default defineConfig({
  plugins: [components(), tailwind()],
  build: { outDir: "dist", emptyOutDir: true, target: "es2022", assetsInlineLimit: 0, manifest: true },
  server: { proxy: { "/api": { target: process.env.KASTEN_API ?? "http://127.0.0.1:4680", changeOrigin: false } } },
});
