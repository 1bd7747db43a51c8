import babel from "@rolldown/plugin-babel";
import react, { reactCompilerPreset } from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";

/**
 * What is drawn while something is dragged: there the compiler sees to it that only what changed
 * is drawn anew. Elsewhere it would only make the scripts of a first visit larger.
 */
const dragged = ["/src/plan/", "/src/kit/", "/src/colour/", "/src/chocolate/"];

const compiled = reactCompilerPreset({
  sources: (file) => dragged.some((folder) => file.includes(folder)),
});

/**
 * Installed on a phone or tablet it opens without the server. What the server answers is kept by
 * the pages themselves, which say so where it is old.
 */
const installed = VitePWA({
  // A new release is offered, and never put in place of one that is being worked with.
  registerType: "prompt",
  injectRegister: false,
  manifest: {
    name: "Wide Sheen",
    short_name: "Wide Sheen",
    description: "Tempering chocolate at home",
    lang: "en-GB",
    start_url: "/begin",
    scope: "/",
    display: "standalone",
    background_color: "#e9ece9",
    theme_color: "#e9ece9",
    icons: [
      { src: "/icon-192.png", sizes: "192x192", type: "image/png" },
      { src: "/icon-512.png", sizes: "512x512", type: "image/png" },
      { src: "/icon-maskable.png", sizes: "512x512", type: "image/png", purpose: "maskable" },
      { src: "/icon.svg", sizes: "any", type: "image/svg+xml" },
    ],
  },
  workbox: {
    globPatterns: ["**/*.{js,css,html,svg,png,woff2}"],
    navigateFallback: "/index.html",
    navigateFallbackDenylist: [/^\/api\//],
    cleanupOutdatedCaches: true,
    // Alarms are answered there.
    importScripts: ["/answers.js"],
  },
});

export default defineConfig({
  plugins: [react(), babel({ presets: [compiled] }), installed],
  server: { proxy: { "/api": "http://127.0.0.1:8080" } },
  build: { target: "es2023", chunkSizeWarningLimit: 800 },
});
