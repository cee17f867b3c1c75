import { readLearnt } from '../learning/read';
import { bookSchema, rulesSchema, type PriceLineKey, type Shop } from '@rusty-wren/contract';
import { USUAL_RULES, type PriceLine, type ShopRules } from '@rusty-wren/core/worth';
import { Hono } from 'hono';
import type { Db, Pool } from '../db/pool';
import { changesBetween, deed } from '../access/audit';
import { checkedBody } from '../http/problem';

interface Row {
  what: PriceLine['what'];
  kind: PriceLine['kind'] | null;
  family: PriceLine['family'] | null;
  maker: string | null;
  model: string | null;
  price: number;
  cost: number | null;
  wait_days: number;
}

/** The rules as they were set last, with usual ones where there are none yet, and the newest line for each thing. */
async function readShop(db: Db): Promise<Shop> {
  const { rows: rules } = await db.query<{ rules: Partial<ShopRules> }>(
    'SELECT rules FROM shop_rules ORDER BY n DESC LIMIT 1',
  );
  const { rows } = await db.query<Row>(
    `SELECT * FROM (
       SELECT DISTINCT ON (what, kind, family, lower(maker), lower(model)) what, kind, family, maker, model, price, cost, wait_days
       FROM price_line ORDER BY what, kind, family, lower(maker), lower(model), n DESC
     ) newest WHERE price IS NOT NULL ORDER BY what, model NULLS FIRST, maker, family NULLS FIRST, kind NULLS FIRST`,
  );
  const pace = (await readLearnt(db)).paces?.shop;
  return {
    ...(pace && { pace }),
    rules: { ...USUAL_RULES, ...rules[0]?.rules },
    book: rows.map(({ what, kind, family, maker, model, price, cost, wait_days }) => ({
      what,
      ...(kind && { kind }),
      ...(family && { family }),
      ...(maker && model && { maker, model }),
      price,
      ...(cost !== null && { cost }),
      waitDays: wait_days,
    })),
  };
}

const write = (db: Db, line: PriceLineKey & Partial<PriceLine>): Promise<unknown> =>
  db.query(
    `INSERT INTO price_line (what, kind, family, maker, model, price, cost, wait_days)
     VALUES ($1, $2, $3, trim($4), trim($5), $6, $7, $8)`,
    [
      line.what,
      line.kind ?? null,
      line.family ?? null,
      line.maker ?? null,
      line.model ?? null,
      line.price ?? null,
      line.cost ?? null,
      line.waitDays ?? null,
    ],
  );

/** The shop's rules and price book. Lines are all taken in, or none. */
export function shopRoutes(pool: Pool): Hono {
  return new Hono()
    .get('/', async (c) => c.json<Shop>(await readShop(pool)))
    .put('/rules', async (c) => {
      const rules = await checkedBody<ShopRules>(c, rulesSchema);
      await deed(pool, c, async (db, note) => {
        const was = await readShop(db);
        await db.query('INSERT INTO shop_rules (rules) VALUES ($1)', [JSON.stringify(rules)]);
        await note('rules', changesBetween({ ...was.rules }, { ...rules }));
      });
      return c.json<Shop>(await readShop(pool));
    })
    .put('/prices', async (c) => {
      const { lines, gone = [] } = await checkedBody<{ lines: PriceLine[]; gone?: PriceLineKey[] }>(
        c,
        bookSchema,
      );
      await deed(pool, c, async (client, note) => {
        for (const line of lines) await write(client, line);
        for (const { what, kind, family, maker, model } of gone)
          await write(client, {
            what,
            ...(kind && { kind }),
            ...(family && { family }),
            ...(maker && { maker }),
            ...(model && { model }),
          });
        await note('prices', { set: lines, gone });
      });
      return c.json<Shop>(await readShop(pool));
    });
}
