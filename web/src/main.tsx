import "@fontsource-variable/atkinson-hyperlegible-next/wght.css";
import "@fontsource-variable/bricolage-grotesque/wght.css";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import "./styles/main.scss";
import { App } from "./app";
import { startWords } from "./i18n";
import { outbox } from "./outbox/outbox";
import { startOffline } from "./ui/update";

const client = new QueryClient({
  defaultOptions: { queries: { retry: 1, networkMode: "always" }, mutations: { networkMode: "always" } },
});
const root = document.getElementById("root");
if (root) {
  await Promise.all([startWords(), outbox.start()]);
  startOffline();
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={client}>
        <App />
      </QueryClientProvider>
    </StrictMode>,
  );
}
