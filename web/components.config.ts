import vue from "@vitejs/plugin-vue";
import { NodeTypes, type NodeTransform } from "@vue/compiler-core";

/**
 * White space in a template means what it means in HTML: a line break between two words is a space, and any run of
 * them is one. Vue would drop a break between two elements, and so join words where the formatter breaks a line.
 */
const oneSpace: NodeTransform = (node) => {
  if (node.type === NodeTypes.TEXT) node.content = node.content.replace(/\s+/g, " ");
};

/** How components are made, for the page and for the tests. */
export const components = () =>
  vue({ template: { compilerOptions: { whitespace: "preserve", nodeTransforms: [oneSpace] } } });
