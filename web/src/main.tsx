import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { setNonce } from "get-nonce";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { App, screenOf } from "./app";
import "./styles.css";

// Radix's dialogs hold the page still with a <style> of their own, which the page's nonce admits.
setNonce(document.querySelector<HTMLMetaElement>('meta[name="nonce"]')?.content ?? "");

const client = new QueryClient({ defaultOptions: { queries: { retry: 2, refetchOnWindowFocus: false } } });
const root = document.getElementById("root");
const slow = setTimeout(() => root?.append("One moment…"), 500);
// With its screen: a page that begins with a stand-in shows what comes after it late.
await screenOf(window.location.pathname);
clearTimeout(slow);
if (root)
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={client}>
        <App />
      </QueryClientProvider>
    </StrictMode>,
  );
