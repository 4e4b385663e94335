import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

/** The players' page alone, for a folder at any address. */
export default defineConfig({
  base: "./",
  plugins: [react(), tailwindcss()],
  worker: { format: "es" },
  build: {
    outDir: "../dicetrail/takeaway/site",
    emptyOutDir: true,
    assetsInlineLimit: 0,
    rollupOptions: {
      input: ["folder.html", "src/folder/sw.ts"],
      output: { entryFileNames: ({ name }) => (name === "sw" ? "sw.js" : "assets/[name]-[hash].js") },
    },
  },
});
