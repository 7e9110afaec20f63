import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig, type Plugin } from "vite";

const BEHIND = `http://127.0.0.1:${process.env.YOUNG_RIBBON_BEHIND ?? "8421"}`;

/** While one edits, the page comes from here and its token from the program behind: the one is handed on with the other. */
const token: Plugin = {
  name: "token-of-the-program",
  configureServer(server) {
    server.middlewares.use(async (request, response, next) => {
      if (request.headers.accept?.includes("text/html")) {
        const answer = await fetch(BEHIND, { headers: { cookie: request.headers.cookie ?? "" } }).catch(() => null);
        const cookies = answer?.headers.getSetCookie() ?? [];
        if (cookies.length > 0) response.setHeader("Set-Cookie", cookies);
        request.url = "/static/"; // every address of the page is the page
      }
      next();
    });
  },
};

export default defineConfig({
  plugins: [react(), tailwindcss(), token],
  base: "/static/",
  server: { proxy: { "/api": BEHIND } },
  // Everything as files of our own: the content security policy admits nothing inline.
  build: { assetsInlineLimit: 0, target: "es2022", modulePreload: { polyfill: false } },
});
