import type { FeedLine, JobChanged, Moved } from '@rusty-wren/contract';
import pg from 'pg';

type Listener = (change: JobChanged) => void;

const RETRY_MS = 1000;

/**
 * Hears every job's changes from PostgreSQL and passes them on. Any number of app processes hear the same. When the
 * connection drops it listens again; `onGap` is told, because changes may have been missed.
 */
export class Changes {
  private readonly listeners = new Set<Listener>();
  private readonly feedListeners = new Set<(lines: readonly FeedLine[]) => void>();
  private readonly movedListeners = new Set<(what: Moved) => void>();
  private readonly endedListeners = new Set<(session: string) => void>();
  private readonly gapListeners = new Set<() => void>();
  private client: pg.Client | null = null;
  private stopped = false;

  constructor(private readonly url: string) {}

  async start(): Promise<void> {
    const client = new pg.Client({ connectionString: this.url });
    client.on('error', () => this.lost(client));
    client.on('end', () => this.lost(client));
    client.on('notification', ({ channel, payload }) => {
      if (!payload) return;
      if (channel === 'instrument_feed') {
        const lines = JSON.parse(payload) as FeedLine[];
        for (const hear of this.feedListeners) hear(lines);
        return;
      }
      if (channel === 'session_ended') {
        for (const tell of this.endedListeners) tell(payload);
        return;
      }
      if (channel === 'bench_moved') {
        for (const tell of this.movedListeners) tell(payload as Moved);
        return;
      }
      const changes = JSON.parse(payload) as JobChanged[];
      if (changes.length === 0) for (const tell of this.gapListeners) tell();
      for (const change of changes) for (const listener of this.listeners) listener(change);
    });
    await client.connect();
    await client.query(
      'LISTEN job_changed; LISTEN instrument_feed; LISTEN bench_moved; LISTEN session_ended',
    );
    this.client = client;
  }

  private lost(client: pg.Client): void {
    if (this.stopped || this.client !== client) return;
    this.client = null;
    const again = (): void => {
      if (this.stopped) return;
      this.start().then(
        () => this.gapListeners.forEach((tell) => tell()),
        () => setTimeout(again, RETRY_MS),
      );
    };
    setTimeout(again, RETRY_MS);
  }

  /** Calls back on every change, and on every gap in the hearing, until the returned function is called. */
  subscribe(onChange: Listener, onGap: () => void): () => void {
    this.listeners.add(onChange);
    this.gapListeners.add(onGap);
    return () => {
      this.listeners.delete(onChange);
      this.gapListeners.delete(onGap);
    };
  }

  /** Calls back whenever something beside the logs has changed, until the returned function is called. */
  hearMoved(onMoved: (what: Moved) => void): () => void {
    this.movedListeners.add(onMoved);
    return () => this.movedListeners.delete(onMoved);
  }

  /** Calls back with each session that is over, or locked, until the returned function is called. */
  hearEnded(onEnded: (session: string) => void): () => void {
    this.endedListeners.add(onEnded);
    return () => this.endedListeners.delete(onEnded);
  }

  /** Calls back with readings of instruments as they come, until the returned function is called. */
  hearFeed(onLines: (lines: readonly FeedLine[]) => void): () => void {
    this.feedListeners.add(onLines);
    return () => this.feedListeners.delete(onLines);
  }

  async stop(): Promise<void> {
    this.stopped = true;
    await this.client?.end();
  }
}
