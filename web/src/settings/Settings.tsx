import type { ReactElement } from 'react';
import { ShopWide } from './ShopWide';
import { ThisDevice } from './ThisDevice';

/** What is gone by here: what holds for the shop, set by its lead, and what this device goes by. */
export function Settings(): ReactElement {
  return (
    <div className="flex-1 px-3 py-5 sm:px-5">
      <h1 className="text-4xl font-bold">Settings</h1>
      <div className="mt-5 grid gap-x-12 gap-y-10 lg:grid-cols-2">
        <ShopWide />
        <ThisDevice />
      </div>
    </div>
  );
}
