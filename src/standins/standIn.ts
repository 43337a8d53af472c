import type { Router } from 'express';
import type { DemoItem } from './world.ts';

/** What a stand-in is built from. */
export interface StandInWorld {
  /** The items of this host. */
  items: readonly DemoItem[];
  /** Of the application, below which the host's names stand. */
  origin: string;
}

/** A made-up host that really plays: one router for each of its names, as they stand below that of the application. */
export interface StandIn {
  id: string;
  routers: (world: StandInWorld) => Record<string, Router>;
}

export const addressOf = (name: string, origin: string): string => origin.replace('://', `://${name}.`);
