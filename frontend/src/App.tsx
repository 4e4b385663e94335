import { lazy, Suspense } from "react";
import { BrowserRouter, Route, Routes, useLocation } from "react-router";
import { Guarded } from "./app/Guarded";
import { MakersDoor } from "./app/MakersDoor";
import { Page } from "./app/Page";
import { Waiting } from "./app/Waiting";
import { WayBack } from "./app/WayBack";

const Shelf = lazy(() => import("./shelf/Shelf"));
const Workbench = lazy(() => import("./workbench/Workbench"));
const LoadPage = lazy(() => import("./load/LoadPage"));
const PackPage = lazy(() => import("./pack/PackPage"));
const PlayersPage = lazy(() => import("./players/PlayersPage"));
const ForesightPage = lazy(() => import("./foresight/ForesightPage"));
const TakePage = lazy(() => import("./take/TakePage"));
const PlayPage = lazy(() => import("./play/PlayPage"));

/** Every address of the app, each loading only what it shows. */
export function App() {
  return (
    <BrowserRouter>
      <Waiting />
      <MakersDoor>
        <Pages />
      </MakersDoor>
    </BrowserRouter>
  );
}

function Pages() {
  const { pathname } = useLocation();
  return (
    <Guarded name="this page" resetKeys={[pathname]} isPage>
      <Suspense fallback={<p className="p-6 text-soft">Unfolding the map…</p>}>
        <Routes>
          <Route path="/" element={<Shelf />} />
          <Route path="/game/:gameId/:stop?" element={<Workbench />} />
          <Route path="/load/:loadId" element={<LoadPage />} />
          <Route path="/pack/:packId" element={<PackPage />} />
          <Route path="/players/:gameId" element={<PlayersPage />} />
          <Route path="/foresight/:gameId/:part?" element={<ForesightPage />} />
          <Route path="/take/:gameId" element={<TakePage />} />
          <Route path="/play/:gameId" element={<PlayPage />} />
          <Route path="*" element={<NoSuchPage />} />
        </Routes>
      </Suspense>
    </Guarded>
  );
}

function NoSuchPage() {
  return (
    <Page title="No such page">
      <main className="mx-auto max-w-xl p-10">
        <h1 className="text-3xl">The path ends here</h1>
        <p className="my-3">There is no page at this address.</p>
        <WayBack />
      </main>
    </Page>
  );
}
