import type { Router } from 'express';
import type { DemoItem } from './world.ts';

/** What a stand-in is built from. */
export interface StandInWorld {
  /** The items of this host. */
  items: readonly DemoItem[];
  port: number;
}

/** A made-up host that really plays: one router for each of its host names. */
export interface StandIn {
  id: string;
  routers: (world: StandInWorld) => Record<string, Router>;
}

export const addressOf = (name: string, port: number): string => `http://${name}.localhost:${port}`;
