import tailwind from "@tailwindcss/vite";
import vue from "@vitejs/plugin-vue";
import { NodeTypes, type NodeTransform } from "@vue/compiler-core";
import { defineConfig } from "vite";

/**
 * White space in a template means what it means in HTML: a line break between two words is a space, and any run of
 * them is one. Vue would drop a break between two elements, and so join words where the formatter breaks a line.
 */
const oneSpace: NodeTransform = (node) => {
  if (node.type === NodeTypes.TEXT) node.content = node.content.replace(/\s+/g, " ");
};

export default defineConfig({
  plugins: [vue({ template: { compilerOptions: { whitespace: "preserve", nodeTransforms: [oneSpace] } } }), tailwind()],
  build: { outDir: "dist", emptyOutDir: true, target: "es2022", assetsInlineLimit: 0 },
  server: { proxy: { "/api": { target: process.env.KASTEN_API ?? "http://127.0.0.1:4680", changeOrigin: false } } },
});
