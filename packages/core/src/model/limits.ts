/** Limits of what a person can type and of what a document can hold. Declared once; shown in messages. */
export const LIMITS = {
  nameChars: 80,
  noteChars: 2000,
  labelChars: 60,
  reasonChars: 500,
  lengthMmMax: 20_000,
  conductorsPerCable: 200,
  /** Ends and splices. */
  nodesPerCable: 60,
  legsPerCable: 120,
  itemsPerAircraft: 2_000,
  cablesPerAircraft: 4_000,
  matesPerAircraft: 500,
  bondsPerAircraft: 500,
  wishesPerAircraft: 500,
  socketsPerItem: 40,
  editsPerRequest: 200,
  editsPerBatch: 400,
  partPorts: 60,
  pinsPerPort: 60,
  /** Situations that a person adds to an aircraft. */
  ownSituations: 12,
  batteryCells: 14,
  baysPerFrame: 20,
  pointsPerFrame: 60,
  routesPerFrame: 120,
  boardsPerDialect: 300,
  rcSwitches: 24,
  /** Ranges of channel values that give modes. */
  modeRanges: 60,
  /** Lines of the configuration that are kept as the aircraft has them. */
  keptLines: 2_000,
  keptLineChars: 400,
  /** Characters of a dump that is kept; a longer one can be compared all the same. */
  dumpChars: 1_500_000,
  dumpsPerAircraft: 500,
  /** Characters of a dialect's file. */
  dialectFileChars: 2_000_000,
} as const;
