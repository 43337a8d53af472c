/**
 * The rooms of the core, floor by floor: what stands below is known to what stands above, never the other way.
 * Rooms of one floor do not know each other, but for those that `knows` names. The import rules are made of this, and the
 * picture in `docs/architecture.md` is compared with it.
 */
const FLOORS = [
  { floor: 'model', tells: 'what is spoken of, and markup told by its tags', rooms: {} },
  {
    floor: 'known',
    tells: 'what is known before anything is pasted',
    rooms: { settings: [], hosts: ['settings'], sites: [], styles: ['settings'] },
  },
  {
    floor: 'proof',
    tells: 'what is observed: at the frame address, in play, on the published page',
    rooms: { reach: [], playThrough: [], published: [] },
  },
  { floor: 'context.ts', tells: 'what holds for an embed, whatever step looks at it', rooms: {} },
  {
    floor: 'steps',
    tells: 'the five steps',
    rooms: { read: [], recognise: [], plan: [], write: [], check: [] },
  },
  { floor: 'live', tells: 'code kept as it stands', rooms: {} },
  { floor: 'pipeline.ts', tells: 'the steps in order', rooms: {} },
  { floor: 'teach', tells: 'a host card worked out from examples', rooms: {} },
  { floor: 'order', tells: 'running orders, and the page that plays them', rooms: {} },
  {
    floor: 'keeping',
    tells: 'what is kept and made again',
    rooms: { shelf: [], bundle: ['shelf'], calendar: ['shelf'] },
  },
  { floor: 'many', tells: 'many at once', rooms: { kit: [], batch: ['kit'], search: ['batch'], sweep: ['batch'] } },
];

const NOT_TESTS = '\\.test\\.ts$';

/** A rule for each floor, and one for each room of a floor. */
function rulesOfRooms() {
  const above = (i) => FLOORS.slice(i + 1).map(({ floor }) => floor.replace('.', '\\.'));
  return FLOORS.flatMap(({ floor, rooms }, i) => [
    ...(i + 1 === FLOORS.length
      ? []
      : [
          {
            name: `${floor}-knows-nothing-above`,
            severity: 'error',
            from: { path: `^src/core/${floor}(/|$)`, pathNot: NOT_TESTS },
            to: {
              path: `^src/core/(${above(i).join('|')})(/|$)`,
              // The names of settings are made of their list; what is spoken of may speak of them.
              pathNot: floor === 'model' ? '^src/core/known/settings/list' : undefined,
            },
          },
        ]),
    ...Object.entries(rooms).map(([room, knows]) => ({
      name: `${floor}-${room}-knows-no-neighbour`,
      severity: 'error',
      from: { path: `^src/core/${floor}/${room}/`, pathNot: NOT_TESTS },
      to: { path: `^src/core/${floor}/(?!(${[room, ...knows].join('|')})/)` },
    })),
  ]);
}

/** The floors as a picture, the highest above. */
const pictureOfRooms = () =>
  FLOORS.map(({ floor, tells, rooms }) => `${floor.padEnd(12)} ${Object.keys(rooms).join(' · ').padEnd(40)} ${tells}`)
    .reverse()
    .join('\n');

module.exports = { FLOORS, rulesOfRooms, pictureOfRooms };
