import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** The server that the pages of `npm run dev` ask. */
const target = `http://127.0.0.1:${process.env['WF_PORT'] ?? '4780'}`;
const server = { target, changeOrigin: true, headers: { origin: target } };

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    // Registered by app/serviceWorker.ts. Pages come from the server while it answers; else, or where another program answers, the
    // one that was kept. Everything else of the application comes from what was kept, by names that change with its content.
    VitePWA({
      injectRegister: false,
      manifest: false,
      registerType: 'autoUpdate',
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        maximumFileSizeToCacheInBytes: 5_000_000,
        directoryIndex: '',
        navigateFallback: null,
        runtimeCaching: [
          {
            urlPattern: ({ request, url }) => request.mode === 'navigate' && !url.pathname.startsWith('/api/'),
            handler: 'NetworkOnly',
            options: {
              precacheFallback: { fallbackURL: '/index.html' },
              plugins: [
                {
                  // The header is EPOCH_HEADER of the contract; this function is written into the worker as it is here.
                  fetchDidSucceed: ({ response }) =>
                    response.headers.has('wired-falcon-epoch') ? Promise.resolve(response) : Promise.reject(new Error('Not our server.')),
                },
              ],
            },
          },
        ],
        cleanupOutdatedCaches: true,
        skipWaiting: true,
        clientsClaim: true,
        inlineWorkboxRuntime: true,
        sourcemap: false,
      },
    }),
  ],
  resolve: { conditions: ['@wired-falcon/source', 'module', 'browser', 'development|production'] },
  worker: { format: 'es' },
  build: { target: 'es2023', sourcemap: false, chunkSizeWarningLimit: 2000 },
  server: {
    host: '127.0.0.1',
    port: 4781,
    proxy: {
      '/api': server,
      '/access': server,
    },
  },
});
