import "@fontsource-variable/archivo/wdth.css";
import "./theme/first.css";
import { ChakraProvider } from "@chakra-ui/react";
import { MutationCache, QueryCache, QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { lazy, StrictMode, Suspense } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter, Navigate, RouterProvider } from "react-router";
import { hearAnswers } from "./alarms/notify";
import { bringBack, IS_ON_A_DEVICE, keepAnswers } from "./api/kept";
import { keys } from "./api/queries";
import { Refusal } from "./api/refusal";
import { Door } from "./devices/Door";
import { Frame } from "./devices/Frame";
import { whoIsHere } from "./devices/me";
import { applyDisplay } from "./kit/display";
import { lastPlace } from "./kit/lastPlace";
import { Loading, Standing } from "./kit/Standing";
import { hearShelf } from "./outbox/entry";
import { openOutbox } from "./outbox/outbox";
import { PlansPage } from "./plan/PlansPage";
import { saveWhatWasLeft } from "./plan/unsaved";
import { shelfChanged } from "./shelf/useThing";
import { followColourMode } from "./theme/colourMode";
import { lettersReady } from "./theme/lettersReady";
import { system } from "./theme/system";

const StartPage = lazy(() => import("./start/StartPage"));
const PlanPage = lazy(() => import("./plan/PlanPage"));
const CardPage = lazy(() => import("./plan/CardPage"));
const SheetsPage = lazy(() => import("./sheets/SheetsPage"));
const ColourPage = lazy(() => import("./colour/ColourPage"));
const GuidePage = lazy(() => import("./guide/GuidePage"));
const BenchPage = lazy(() => import("./bench/BenchPage"));
const BenchListPage = lazy(() => import("./bench/BenchListPage"));
const ReferencePage = lazy(() => import("./reference/ReferencePage"));
const GlossaryPage = lazy(() => import("./reference/GlossaryPage"));
const ShelfPage = lazy(() => import("./shelf/ShelfPage"));
const LabelsOfPlan = lazy(async () => ({
  default: (await import("./labels/LabelsPage")).LabelsOfPlan,
}));
const LabelsOfBatch = lazy(async () => ({
  default: (await import("./labels/LabelsPage")).LabelsOfBatch,
}));
const SettingsPage = lazy(() => import("./settings/SettingsPage"));
const ToDoPage = lazy(() => import("./devices/ToDoPage"));
const HelpersShopping = lazy(() => import("./devices/HelpersShopping"));
const DevicesPage = lazy(() => import("./devices/DevicesPage"));
const LogPage = lazy(() => import("./logbook/LogPage"));
const ClinicPage = lazy(() => import("./clinic/ClinicPage"));
const ComparePage = lazy(() => import("./compare/ComparePage"));
const PatternsPage = lazy(() => import("./compare/PatternsPage"));
const PrintedBatch = lazy(() => import("./logbook/PrintedBatch"));
const YearPage = lazy(() => import("./logbook/YearPage"));
const LogBatchPage = lazy(() => import("./logbook/LogBatchPage"));

/** Whoever is told that it is not let in asks at once what it takes. */
function onError(error: Error, query?: { queryKey?: unknown }) {
  if (error instanceof Refusal && error.status === 401 && query?.queryKey !== keys.me) {
    void queries.invalidateQueries({ queryKey: keys.me });
  }
}

const queries: QueryClient = new QueryClient({
  queryCache: new QueryCache({ onError }),
  mutationCache: new MutationCache({ onError: (error) => onError(error) }),
  defaultOptions: {
    // A machine without any network has its server all the same.
    mutations: { networkMode: "always" },
    queries: {
      networkMode: "always",
      gcTime: IS_ON_A_DEVICE ? 86_400_000 : 300_000,
      retry: (failures, error) => !(error instanceof Refusal) && failures < 2,
    },
  },
});

const later = (page: React.ReactNode) => (
  <Suspense fallback={<Loading what="the page" />}>{page}</Suspense>
);

const router = createBrowserRouter([
  {
    element: <Frame />,
    children: [
      { index: true, element: <Navigate to="/plans" replace /> },
      // Where the installed application begins: where it was left.
      { path: "begin", element: <Navigate to={lastPlace() ?? "/plans"} replace /> },
      { path: "plans", element: <PlansPage /> },
      { path: "plans/:planId/:place?", element: later(<PlanPage />) },
      { path: "plans/new/:way?", element: later(<StartPage />) },
      { path: "plans/:planId/card", element: later(<CardPage />) },
      { path: "plans/:planId/sheets/:component", element: later(<SheetsPage />) },
      { path: "plans/:planId/labels", element: later(<LabelsOfPlan />) },
      { path: "build/:batchId", element: later(<GuidePage />) },
      { path: "bench", element: later(<BenchListPage />) },
      { path: "bench/:bowlId", element: later(<BenchPage />) },
      { path: "log", element: later(<LogPage />) },
      { path: "log/clinic", element: later(<ClinicPage />) },
      { path: "log/compare", element: later(<ComparePage />) },
      { path: "log/patterns", element: later(<PatternsPage />) },
      { path: "log/year/:year?", element: later(<YearPage />) },
      { path: "log/:batchId/page", element: later(<PrintedBatch />) },
      { path: "log/:batchId", element: later(<LogBatchPage />) },
      { path: "log/:batchId/labels", element: later(<LabelsOfBatch />) },
      { path: "shelf/:place?", element: later(<ShelfPage />) },
      { path: "colour", element: later(<ColourPage />) },
      { path: "reference", element: later(<ReferencePage />) },
      { path: "reference/words", element: later(<GlossaryPage />) },
      { path: "to-do", element: later(<ToDoPage />) },
      { path: "shopping", element: later(<HelpersShopping />) },
      { path: "settings", element: later(<SettingsPage />) },
      { path: "settings/devices", element: later(<DevicesPage />) },
      // Where it was before.
      { path: "display", element: <Navigate to="/settings" replace /> },
      {
        path: "*",
        element: (
          <Standing title="Page not found">Check the address, or pick a place above.</Standing>
        ),
      },
    ],
  },
]);

/** What is kept by one release is not read by another. */
const RELEASE = document.querySelector("script[src]")?.getAttribute("src") ?? "";

applyDisplay();
followColourMode();
hearShelf(() => shelfChanged(queries));
openOutbox();
hearAnswers();
saveWhatWasLeft(queries);
const root = document.getElementById("root");
if (root) {
  void queries.prefetchQuery(whoIsHere);
  // Not awaited out here: every other file would wait for this one.
  Promise.all([lettersReady(), bringBack(queries, RELEASE)]).then(() => {
    keepAnswers(queries, RELEASE);
    createRoot(root).render(
      <StrictMode>
        <ChakraProvider value={system}>
          <QueryClientProvider client={queries}>
            <Door>
              <RouterProvider router={router} />
            </Door>
          </QueryClientProvider>
        </ChakraProvider>
      </StrictMode>,
    );
  });
}
