/** Areas of work on which the trade disagrees. */
export const SCHOOL_AREAS = ['chamber', 'intake', 'exhaust', 'seats', 'squish', 'springs', 'finish'] as const
export type SchoolArea = (typeof SCHOOL_AREAS)[number]

/** What the trade disagrees on, and the answers that are given: each a school. */
export const SCHOOL_TOPICS = {
  unshroud: { area: 'chamber', schools: ['curtain', 'pin', 'line', 'alone'] },
  even: { area: 'chamber', schools: ['volume', 'ratio'] },
  order: { area: 'chamber', schools: ['chamberFirst', 'faceFirst'] },
  throatSize: { area: 'intake', schools: ['asCast', 'usual', 'brave'] },
  intakeStep: { area: 'intake', schools: ['matched', 'smallerManifold'] },
  intakeWalls: { area: 'intake', schools: ['rough', 'smooth'] },
  exhaustStep: { area: 'exhaust', schools: ['keepStep', 'matched'] },
  exhaustSize: { area: 'exhaust', schools: ['small', 'open'] },
  seatAngle: { area: 'seats', schools: ['fortyFive', 'steep'] },
  seatCuts: { area: 'seats', schools: ['three', 'five'] },
  squishGap: { area: 'squish', schools: ['tight', 'safe'] },
  springLoad: { area: 'springs', schools: ['asNeeded', 'reserve'] },
  chamberFinish: { area: 'finish', schools: ['polished', 'asGround'] }
} as const satisfies Record<string, { area: SchoolArea, schools: readonly string[] }>
export type SchoolTopic = keyof typeof SCHOOL_TOPICS
