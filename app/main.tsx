import { ConfigProvider } from 'antd';
import { lazy, StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, Route, Routes } from 'react-router';
import { ErrorBoundary } from './shell/error-boundary';
import { Shell } from './shell/shell';
import { NotFound } from './pages/not-found';
import { watchProgram } from './shell/watch-program';
import { theme } from './theme/theme';
import './theme/fonts';
import './theme/global.css';

const LinePage = lazy(async () => ({ default: (await import('./pages/line-page')).LinePage }));
const DrawerPage = lazy(async () => ({ default: (await import('./pages/drawer/drawer-page')).DrawerPage }));
const NewPage = lazy(async () => ({ default: (await import('./pages/new-page')).NewPage }));
const BenchPage = lazy(async () => ({ default: (await import('./bench/bench-page')).BenchPage }));
const TrainPage = lazy(async () => ({ default: (await import('./pages/train-page')).TrainPage }));
const AtBenchPage = lazy(async () => ({ default: (await import('./pages/at-bench-page')).AtBenchPage }));
const SheetPage = lazy(async () => ({ default: (await import('./pages/sheet-page')).SheetPage }));
const FeedsPage = lazy(async () => ({ default: (await import('./pages/feeds/feeds-page')).FeedsPage }));
const OverheadPage = lazy(async () => ({
  default: (await import('./pages/overhead/overhead-page')).OverheadPage,
}));
const RigSheet = lazy(async () => ({ default: (await import('./pages/overhead/rig-sheet')).RigSheet }));
const FeedsSheet = lazy(async () => ({ default: (await import('./pages/feeds/feeds-sheet')).FeedsSheet }));
const ShelfPage = lazy(async () => ({ default: (await import('./pages/shelf-page')).ShelfPage }));
const HistoryPage = lazy(async () => ({ default: (await import('./pages/history-page')).HistoryPage }));

watchProgram();
createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <ConfigProvider theme={theme} button={{ autoInsertSpace: false }}>
      <ErrorBoundary>
        <BrowserRouter>
          <Routes>
            <Route path="/" element={<Shell />}>
              <Route index element={<LinePage />} />
              <Route path="drawer" element={<DrawerPage />} />
              <Route path="new/:kind?" element={<NewPage />} />
              <Route path="bench/:jobId/:stage?" element={<BenchPage />} />
              <Route path="at-bench/:jobId" element={<AtBenchPage />} />
              <Route path="sheet/:jobId" element={<SheetPage />} />
              <Route path="train/:trainId" element={<TrainPage />} />
              <Route path="feeds" element={<FeedsPage />} />
              <Route path="feeds/sheet" element={<FeedsSheet />} />
              <Route path="overhead/:rigId?" element={<OverheadPage />} />
              <Route path="overhead/:rigId/sheet" element={<RigSheet />} />
              <Route path="shelf" element={<ShelfPage />} />
              <Route path="shelf/history" element={<HistoryPage />} />
              <Route path="*" element={<NotFound />} />
            </Route>
          </Routes>
        </BrowserRouter>
      </ErrorBoundary>
    </ConfigProvider>
  </StrictMode>,
);
