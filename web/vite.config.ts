import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";
import { firstChunk } from "./chunks.ts";

export default defineConfig({
  plugins: [
    react(),
    VitePWA({
      // A new version is offered; it never takes a page over by itself.
      registerType: "prompt",
      injectRegister: false,
      workbox: {
        globPatterns: ["**/*.{js,css,html,woff2,svg,png,webmanifest}"],
        navigateFallback: "/index.html",
        navigateFallbackDenylist: [/^\/api\//],
        maximumFileSizeToCacheInBytes: 4 << 20,
        cleanupOutdatedCaches: true,
        runtimeCaching: [
          {
            // What a screen at the stove reads beside its course, and a running sitting of practice: the last
            // answer where nobody answers.
            urlPattern: /^.*\/api\/(me|vocabulary|kitchens\/[^/]+(\/(courses|foods|practice(\?.*)?))?)$/,
            handler: "NetworkFirst",
            options: { cacheName: "kitchen", networkTimeoutSeconds: 4, expiration: { maxEntries: 20 } },
          },
        ],
      },
      manifest: {
        id: "/",
        name: "Cuerda",
        short_name: "Cuerda",
        description: "Patties, meatballs, loaves and stuffings without eggs and breadcrumbs.",
        start_url: "/",
        scope: "/",
        display: "standalone",
        background_color: "#f6f3ec",
        theme_color: "#fffdf8",
        icons: [
          { src: "/icon.svg", sizes: "any", type: "image/svg+xml" },
          { src: "/icon-192.png", sizes: "192x192", type: "image/png" },
          { src: "/icon-512.png", sizes: "512x512", type: "image/png" },
          { src: "/icon-maskable.png", sizes: "512x512", type: "image/png", purpose: "maskable" },
        ],
        shortcuts: [{ name: "Cook", url: "/cook" }],
      },
    }),
  ],
  build: {
    target: "es2022",
    sourcemap: false,
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 900,
    rolldownOptions: {
      checks: { pluginTimings: false },
      output: {
        // The first view asks for few files: what every screen needs lies together, what few need is fetched with them.
        codeSplitting: {
          groups: [
            {
              name: "react",
              test: /node_modules.(react|react-dom|scheduler|react-router|cookie|@tanstack|i18next|openapi-fetch)./,
              priority: 3,
            },
            { name: firstChunk, test: /\.(tsx?|m?js)$/, priority: 2 },
            { name: "later", test: /web.(src|node_modules)./, minShareCount: 2, priority: 1 },
          ],
        },
      },
    },
  },
  css: {
    preprocessorOptions: {
      scss: {
        quietDeps: true,
        silenceDeprecations: ["import", "global-builtin", "color-functions", "if-function"],
      },
    },
  },
  server: { proxy: { "/api": "http://127.0.0.1:8080" } },
});
