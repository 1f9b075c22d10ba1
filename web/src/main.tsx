import "@fontsource-variable/atkinson-hyperlegible-next/wght.css";
import "@fontsource-variable/bricolage-grotesque/wght.css";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import "./styles/main.scss";
import { kitchenHere } from "./api/here";
import { startWords } from "./i18n";
import { outbox } from "./outbox/outbox";
import { startOffline } from "./ui/update";

const client = new QueryClient({
  defaultOptions: { queries: { retry: 1, networkMode: "always" }, mutations: { networkMode: "always" } },
});
// Whoever opens a kitchen does not fetch the door, nor the other way round. The bundler folds a choice between two imports
// into one that fetches both: they stand apart.
const pages = { kitchen: () => import("./app"), door: () => import("./door/door-app") };
const root = document.getElementById("root");
if (root) {
  const [{ default: Page }] = await Promise.all([
    pages[kitchenHere ? "kitchen" : "door"](),
    startWords(kitchenHere ? "first" : "all"),
    outbox.start(),
  ]);
  startOffline();
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={client}>
        <Page />
      </QueryClientProvider>
    </StrictMode>,
  );
}
