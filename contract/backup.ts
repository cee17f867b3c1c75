/** A place in which backups are kept. */
export interface BackupPlace {
  /** A folder, as the machine knows it. */
  place: string;
  /** The last that stands there; null where none does. */
  last: { at: string; bytes: number } | null;
  /** Why the last one went wrong, if it did. */
  problem: string | null;
}

/** How it stands with the shop's backups. */
export interface Backups {
  /** By the place that was used last. */
  places: BackupPlace[];
  /** The last time one was restored into a place of its own and compared; null where none ever was. */
  rehearsal: { at: string; problem: string | null } | null;
}

/** Older than so many hours, a backup or a rehearsal is told as old. */
export const OLD_BACKUP_H = { backup: 48, rehearsal: 240 } as const;
