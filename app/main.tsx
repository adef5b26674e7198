import { ConfigProvider } from 'antd';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { ErrorBoundary } from './shell/error-boundary';
import { Shell } from './shell/shell';
import { NotFound } from './pages/not-found';
import { theme } from './theme/theme';
import './theme/fonts';
import './theme/global.css';

const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    hydrateFallbackElement: <p style={{ padding: 24 }}>Opening Hazel Spark…</p>,
    children: [
      { index: true, lazy: async () => ({ Component: (await import('./pages/line-page')).LinePage }) },
      {
        path: 'drawer',
        lazy: async () => ({ Component: (await import('./pages/drawer-page')).DrawerPage }),
      },
      { path: 'new/:kind?', lazy: async () => ({ Component: (await import('./pages/new-page')).NewPage }) },
      {
        path: 'bench/:jobId/:stage?',
        lazy: async () => ({ Component: (await import('./bench/bench-page')).BenchPage }),
      },
      {
        path: 'train/:trainId',
        lazy: async () => ({ Component: (await import('./pages/train-page')).TrainPage }),
      },
      { path: 'shelf', lazy: async () => ({ Component: (await import('./pages/shelf-page')).ShelfPage }) },
      {
        path: 'shelf/history',
        lazy: async () => ({ Component: (await import('./pages/history-page')).HistoryPage }),
      },
      { path: '*', element: <NotFound /> },
    ],
  },
]);

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <ConfigProvider theme={theme} button={{ autoInsertSpace: false }}>
      <ErrorBoundary>
        <RouterProvider router={router} />
      </ErrorBoundary>
    </ConfigProvider>
  </StrictMode>,
);
