import app from './app.json' with { type: 'json' };
import batch from './batch.json' with { type: 'json' };
import bench from './bench.json' with { type: 'json' };
import cli from './cli.json' with { type: 'json' };
import connect from './connect.json' with { type: 'json' };
import core from './core.json' with { type: 'json' };
import help from './help.json' with { type: 'json' };
import hosts from './hosts.json' with { type: 'json' };
import messages from './messages.json' with { type: 'json' };
import orders from './orders.json' with { type: 'json' };
import server from './server.json' with { type: 'json' };
import shelf from './shelf.json' with { type: 'json' };
import sites from './sites.json' with { type: 'json' };
import sweep from './sweep.json' with { type: 'json' };
import teach from './teach.json' with { type: 'json' };
import type { Catalogue } from '../catalogue.ts';

/** All German sentences: one catalogue for each screen, the core, the command line and the server. */
export const GERMAN: Catalogue = {
  ...app,
  ...batch,
  ...bench,
  ...cli,
  ...connect,
  ...core,
  ...help,
  ...hosts,
  ...messages,
  ...orders,
  ...server,
  ...shelf,
  ...sites,
  ...sweep,
  ...teach,
};
