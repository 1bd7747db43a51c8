import babel from "@rolldown/plugin-babel";
import react, { reactCompilerPreset } from "@vitejs/plugin-react";
import { defineConfig } from "vite";

/**
 * What is drawn while something is dragged: there the compiler sees to it that only what changed
 * is drawn anew. Elsewhere it would only make the scripts of a first visit larger.
 */
const dragged = ["/src/plan/", "/src/kit/", "/src/colour/", "/src/chocolate/"];

const compiled = reactCompilerPreset({
  sources: (file) => dragged.some((folder) => file.includes(folder)),
});

export default defineConfig({
  plugins: [react(), babel({ presets: [compiled] })],
  server: { proxy: { "/api": "http://127.0.0.1:8080" } },
  build: { target: "es2023", chunkSizeWarningLimit: 800 },
});
