import { createRoot } from 'react-dom/client';

/** What any page of this kind takes before it says anything of its own. */
createRoot(document.body.appendChild(document.createElement('div'))).render(<h1>Nothing</h1>);
