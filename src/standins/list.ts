import { airwherry } from './airwherry/routes.ts';
import { albumfen } from './albumfen/routes.ts';
import { askmeadow } from './askmeadow/routes.ts';
import { brackwater } from './brackwater/routes.ts';
import { deckmoor } from './deckmoor/routes.ts';
import { earbrook } from './earbrook/routes.ts';
import { foliobarn } from './foliobarn/routes.ts';
import { gatherfold } from './gatherfold/routes.ts';
import { lanternreel } from './lanternreel/routes.ts';
import { loopwick } from './loopwick/routes.ts';
import { millwright } from './millwright/routes.ts';
import { murmurfold } from './murmurfold/routes.ts';
import { packhorse } from './packhorse/routes.ts';
import { plumbline } from './plumbline/routes.ts';
import { postern } from './postern/routes.ts';
import { quernhill } from './quernhill/routes.ts';
import { spoolnote } from './spoolnote/routes.ts';
import { tidemill } from './tidemill/routes.ts';
import { waymoss } from './waymoss/routes.ts';
import { withyband } from './withyband/routes.ts';
import type { StandIn } from './standIn.ts';

/** The made-up hosts that ship with the product; the last seven have no card; of those Packhorse keeps cards, Tidemill is a site, and Millwright an editor of pages. */
export const STAND_INS: readonly StandIn[] = [
  lanternreel,
  plumbline,
  murmurfold,
  earbrook,
  foliobarn,
  deckmoor,
  gatherfold,
  askmeadow,
  waymoss,
  airwherry,
  loopwick,
  albumfen,
  spoolnote,
  postern,
  quernhill,
  brackwater,
  withyband,
  packhorse,
  tidemill,
  millwright,
];
