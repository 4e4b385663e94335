import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { detailsOf } from "./api/client";
import { App } from "./App";
import "./app/theme.css";

/** What the server has explained, such as that something is gone, is not asked again. */
const triesAgain = (failures: number, error: unknown) => failures < 1 && detailsOf(error).status === 0;

const queries = new QueryClient({
  defaultOptions: { queries: { retry: triesAgain, refetchOnWindowFocus: false, staleTime: 5_000 } },
});

const root = document.getElementById("root");
if (!root) throw new Error("index.html has no #root");
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <App />
    </QueryClientProvider>
  </StrictMode>,
);
