import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './app/App';
import { keepOffline } from './app/newVersion';
import { createStore } from './app/store';
import './app/theme.css';

const root = document.getElementById('root');
const store = createStore();
if (root)
  createRoot(root).render(
    <StrictMode>
      <App store={store} />
    </StrictMode>,
  );
keepOffline();
// What an instrument draws with is there before the server may be gone.
setTimeout(() => {
  void import('./tune/SpeedChart').catch(() => undefined);
  void import('./instruments/pressure/WatchChart').catch(() => undefined);
}, 2000);
