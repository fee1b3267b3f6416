// Where node finds what esbuild finds: htmx as a module, which its package says to bundlers only.
const htmx = new URL("../../node_modules/htmx.org/dist/htmx.esm.js", import.meta.url).href

export const resolve = (specifier, context, next) => specifier === "htmx.org" ? { url: htmx, format: "module", shortCircuit: true } : next(specifier, context)
