import tailwind from "@tailwindcss/vite";
import vue from "@vitejs/plugin-vue";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [
    // A line break between two words is a space, as in HTML: else the formatter's own breaks join what is shown.
    vue({ template: { compilerOptions: { whitespace: "preserve" } } }),
    tailwind(),
  ],
  build: { outDir: "dist", emptyOutDir: true, target: "es2022", assetsInlineLimit: 0 },
  server: { proxy: { "/api": { target: process.env.KASTEN_API ?? "http://127.0.0.1:4680", changeOrigin: false } } },
});
