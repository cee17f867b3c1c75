import { setNonce } from 'get-nonce';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './app/App';
import { fetchPlaces } from './app/places';
import { keepOffline } from './app/newVersion';
import { pause } from './app/pause';
import { createStore } from './app/store';
import './app/theme.css';
import { inPageOnly } from './keeping/outbox';
import { restoreDrafts } from './ui/useDraft';

// Styles that are put in while the page is open carry the page's nonce.
const nonce = document.querySelector<HTMLMetaElement>('meta[property=csp-nonce]')?.nonce;
if (nonce) setNonce(nonce);

const root = document.getElementById('root');
/** A database that does not open in this time is done without. */
const PATIENCE_MS = 1500;

const store = createStore();
await Promise.race([restoreDrafts(), pause(PATIENCE_MS)]);
if (root)
  createRoot(root).render(
    <StrictMode>
      <App store={store} />
    </StrictMode>,
  );
keepOffline(() => inPageOnly(store.getState().outbox));
/** Every place, and what instruments draw with, is there before the server may be gone. */
function fetchRest(): void {
  fetchPlaces();
  void import('./tune/SpeedChart').catch(() => undefined);
  void import('./instruments/pressure/WatchChart').catch(() => undefined);
}
// Not before the place that was opened stands there, however slow it is.
setTimeout(() => {
  if ('requestIdleCallback' in globalThis) requestIdleCallback(fetchRest, { timeout: 10_000 });
  else fetchRest();
}, 3000);
