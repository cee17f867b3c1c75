import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { compression } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';

/**
 * The toasts' package puts its styles into the page as an element, which no nonce of ours is on: its own file of them is taken
 * instead (app/theme.css). Fails the build where the package does it otherwise.
 */
const toastStylesFromFile: Plugin = {
  name: 'toast-styles-from-file',
  transform: {
    filter: { id: /sonner\/dist\/index\.mjs$/ },
    handler: (code) => {
      const without = code.replace(/^__insertCSS\(.*\);$/m, '');
      if (without === code)
        throw new Error('sonner puts its styles in otherwise now: see toastStylesFromFile');
      return { code: without, map: null };
    },
  },
};

export default defineConfig({
  // The server puts another into each page it hands out.
  html: { cspNonce: 'NONCE_OF_THIS_PAGE' },
  plugins: [
    toastStylesFromFile,
    react(),
    tailwindcss(),
    VitePWA({
      registerType: 'prompt',
      injectRegister: null,
      // Put on a phone's first screen it opens full screen, at the rack.
      manifest: {
        name: 'Rusty Wren',
        short_name: 'Rusty Wren',
        description: 'The bench for handheld two-strokes: what to check next, and why',
        id: '/',
        start_url: '/',
        display: 'fullscreen',
        background_color: '#f1ebdf',
        theme_color: '#f1ebdf',
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
      },
      workbox: {
        // All of it: what the bench needs is there beforehand, server or not.
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        maximumFileSizeToCacheInBytes: 5_000_000,
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//, /^\/owner\//, /^\/calendar\//, /^\/trust/],
        clientsClaim: true,
        cleanupOutdatedCaches: true,
      },
    }),
    // Made small once, at build: the server hands out what the browser takes.
    compression({ algorithms: ['gzip', 'brotliCompress'], include: /\.(?:js|css|html|svg)$/ }),
  ],
  build: {
    chunkSizeWarningLimit: 1200,
    rolldownOptions: {
      output: {
        // Chunks that need each other run in the order of their modules, whatever is shared by which.
        strictExecutionOrder: true,
        chunkFileNames: ({ name }) =>
          name.startsWith('shared~') ? 'assets/shared-[hash].js' : 'assets/[name]-[hash].js',
        // Few files: each costs a slow processor a fetch, a parse and a link. What every place begins with is one, and what
        // places share is put together with what is shared by nearly the same places.
        codeSplitting: {
          groups: [
            { name: 'first', tags: ['$initial'], priority: 2 },
            {
              name: 'shared',
              minShareCount: 2,
              entriesAware: true,
              entriesAwareMergeThreshold: 40_000,
              priority: 1,
            },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env['PORT'] ?? 4680}` } },
});
