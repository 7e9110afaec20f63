import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [react(), tailwindcss()],
  base: "/static/",
  // Everything as files of our own: the content security policy admits nothing inline.
  build: { assetsInlineLimit: 0, target: "es2022", modulePreload: { polyfill: false } },
});
