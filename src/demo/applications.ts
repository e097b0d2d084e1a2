/** What several applications have alike; each says only what it makes of its trade differently. */
const COMMON = {
  decode: 'engine',
  rawDecode: 'graphics',
  effects: 'graphics',
  engineEncode: true,
  threadCap: 32,
  cards: { max: 1, gain: 0 },
  computeStacks: [] as string[],
};

/** Made-up applications, at least three a trade, that lead to different machines. */
export const APPLICATIONS: readonly Record<string, unknown>[] = [
  { ...COMMON, id: 'reelwright', name: 'Reelwright', trade: 'edit', cards: { max: 2, gain: 0.7 }, engineLimit: { width: 8192, height: 8192 }, computeStacks: ['Tesserel', 'Loomwork'], systems: ['System One-seat', 'System Works'], memoryGiB: { minimum: 16, recommended: 32 }, graphicsMemoryGiB: { minimum: 6, recommended: 12 }, ownMemoryGiB: 5, ownGraphicsMemoryGiB: 1.2 },
  { ...COMMON, id: 'spliceyard', name: 'Spliceyard', trade: 'edit', rawDecode: 'processor', threadCap: 16, engineLimit: { width: 4096, height: 4096 }, computeStacks: ['open compute'], memoryGiB: { minimum: 8, recommended: 32 }, graphicsMemoryGiB: { minimum: 4, recommended: 8 }, ownMemoryGiB: 4, ownGraphicsMemoryGiB: 1 },
  { ...COMMON, id: 'cutwater', name: 'Cutwater', trade: 'edit', decode: 'processor', rawDecode: 'processor', effects: 'processor', engineEncode: false, threadCap: 24, costs: { cores: 0.85 }, systems: ['System Works'], memoryGiB: { minimum: 8, recommended: 16 }, graphicsMemoryGiB: { minimum: 2, recommended: 4 }, ownMemoryGiB: 3, ownGraphicsMemoryGiB: 0.5 },

  // lays together on the card and encodes on engines: a modest processor will do
  { ...COMMON, id: 'castdeck', name: 'Castdeck', trade: 'live', threadCap: 16, systems: ['System One-seat', 'System Works'], memoryGiB: { minimum: 8, recommended: 16 }, graphicsMemoryGiB: { minimum: 4, recommended: 8 }, ownMemoryGiB: 1.8, ownGraphicsMemoryGiB: 0.6 },
  // everything on the processor: cores, and no card at all
  { ...COMMON, id: 'foghorn-live', name: 'Foghorn Live', trade: 'live', decode: 'processor', effects: 'processor', engineEncode: false, threadCap: 48, memoryGiB: { minimum: 8, recommended: 16 }, graphicsMemoryGiB: { minimum: 0.5, recommended: 1 }, ownMemoryGiB: 1.2, ownGraphicsMemoryGiB: 0 },
  // rich titles: a bigger card, one compute stack, HD at most on the engine
  { ...COMMON, id: 'pierlight', name: 'Pierlight', trade: 'live', threadCap: 12, costs: { graphics: 2.4, oneThread: 1.5 }, engineLimit: { width: 1920, height: 1088 }, computeStacks: ['Tesserel'], memoryGiB: { minimum: 16, recommended: 32 }, graphicsMemoryGiB: { minimum: 8, recommended: 12 }, ownMemoryGiB: 4, ownGraphicsMemoryGiB: 2 },

  // an older engine: the main thread does nearly everything
  { ...COMMON, id: 'bridgewake', name: 'Bridgewake', trade: 'scene', threadCap: 8, costs: { oneThread: 1.4 }, systems: ['System One-seat', 'System Works'], memoryGiB: { minimum: 16, recommended: 32 }, graphicsMemoryGiB: { minimum: 6, recommended: 12 }, ownMemoryGiB: 5, ownGraphicsMemoryGiB: 0.8 },
  // submits from many threads and steps more besides: cores instead of one fast one
  { ...COMMON, id: 'tidewalker', name: 'Tidewalker', trade: 'scene', threadCap: 24, costs: { oneThread: 0.55, cores: 1.6, graphics: 1.15 }, cards: { max: 2, gain: 0.6 }, memoryGiB: { minimum: 16, recommended: 32 }, graphicsMemoryGiB: { minimum: 8, recommended: 16 }, ownMemoryGiB: 7, ownGraphicsMemoryGiB: 1.5 },
  // for signed-off training: a certified driver, and a heavier picture
  { ...COMMON, id: 'helmglass', name: 'Helmglass', trade: 'scene', threadCap: 12, costs: { graphics: 1.4 }, computeStacks: ['Tesserel', 'Loomwork'], certifiedDriver: true, systems: ['System Works'], memoryGiB: { minimum: 32, recommended: 64 }, graphicsMemoryGiB: { minimum: 12, recommended: 20 }, ownMemoryGiB: 8, ownGraphicsMemoryGiB: 2 },

  { ...COMMON, id: 'ferrycopy', name: 'Ferrycopy', trade: 'ingest', effects: 'processor', threadCap: 16, memoryGiB: { minimum: 4, recommended: 8 }, graphicsMemoryGiB: { minimum: 0.1, recommended: 0.1 }, ownMemoryGiB: 0.4, ownGraphicsMemoryGiB: 0 },
  // copies in few threads and reads everything twice
  { ...COMMON, id: 'holdkeeper', name: 'Holdkeeper', trade: 'ingest', effects: 'processor', threadCap: 4, costs: { cores: 2.2 }, memoryGiB: { minimum: 8, recommended: 16 }, graphicsMemoryGiB: { minimum: 0.1, recommended: 0.1 }, ownMemoryGiB: 1.5, ownGraphicsMemoryGiB: 0 },
  // past the system's own copies: less work a byte, more memory
  { ...COMMON, id: 'straightway', name: 'Straightway', trade: 'ingest', effects: 'processor', threadCap: 32, costs: { cores: 0.6 }, systems: ['System Works'], memoryGiB: { minimum: 16, recommended: 32 }, graphicsMemoryGiB: { minimum: 0.1, recommended: 0.1 }, ownMemoryGiB: 8, ownGraphicsMemoryGiB: 0 },

  { ...COMMON, id: 'shoalsound', name: 'Shoalsound', trade: 'audio', effects: 'processor', threadCap: 16, memoryGiB: { minimum: 8, recommended: 16 }, graphicsMemoryGiB: { minimum: 0.1, recommended: 1 }, ownMemoryGiB: 2, ownGraphicsMemoryGiB: 0 },
  // short buffers: little overhead, few threads
  { ...COMMON, id: 'bellbuoy', name: 'Bellbuoy', trade: 'audio', effects: 'processor', threadCap: 8, costs: { oneThread: 0.5, cores: 0.8 }, memoryGiB: { minimum: 4, recommended: 8 }, graphicsMemoryGiB: { minimum: 0.1, recommended: 1 }, ownMemoryGiB: 1, ownGraphicsMemoryGiB: 0 },
  // large sessions: spreads over everything, costs more on each
  { ...COMMON, id: 'murmur-desk', name: 'Murmur Desk', trade: 'audio', effects: 'processor', threadCap: 48, costs: { oneThread: 1.4, cores: 1.3 }, systems: ['System One-seat', 'System Works'], memoryGiB: { minimum: 16, recommended: 64 }, graphicsMemoryGiB: { minimum: 0.5, recommended: 1 }, ownMemoryGiB: 6, ownGraphicsMemoryGiB: 0 },

  // one thread, a certified driver, and everything in its own memory
  { ...COMMON, id: 'formglass', name: 'Formglass', trade: 'cad', effects: 'processor', threadCap: 12, certifiedDriver: true, systems: ['System One-seat', 'System Works'], memoryGiB: { minimum: 16, recommended: 32 }, graphicsMemoryGiB: { minimum: 4, recommended: 8 }, ownMemoryGiB: 5, ownGraphicsMemoryGiB: 0.8 },
  // rebuilds side by side, and draws from many threads
  { ...COMMON, id: 'keelform', name: 'Keelform', trade: 'cad', effects: 'processor', threadCap: 24, costs: { oneThread: 0.7, cores: 1.25 }, memoryGiB: { minimum: 8, recommended: 32 }, graphicsMemoryGiB: { minimum: 2, recommended: 6 }, ownMemoryGiB: 4, ownGraphicsMemoryGiB: 0.5 },
  // solves on cards in double precision
  { ...COMMON, id: 'plateworks', name: 'Plateworks', trade: 'cad', threadCap: 64, cards: { max: 2, gain: 0.8 }, computeStacks: ['Tesserel'], systems: ['System Works'], memoryGiB: { minimum: 32, recommended: 128 }, graphicsMemoryGiB: { minimum: 8, recommended: 24 }, ownMemoryGiB: 6, ownGraphicsMemoryGiB: 2 },

  { ...COMMON, id: 'lamplight', name: 'Lamplight', trade: 'render', threadCap: 128, cards: { max: 4, gain: 0.95 }, computeStacks: ['Tesserel', 'Loomwork'], memoryGiB: { minimum: 16, recommended: 64 }, graphicsMemoryGiB: { minimum: 8, recommended: 12 }, ownMemoryGiB: 3, ownGraphicsMemoryGiB: 0.8 },
  // on cores only: scenes as large as memory
  { ...COMMON, id: 'deepray', name: 'Deepray', trade: 'render', effects: 'processor', threadCap: 256, memoryGiB: { minimum: 32, recommended: 96 }, graphicsMemoryGiB: { minimum: 1, recommended: 2 }, ownMemoryGiB: 4, ownGraphicsMemoryGiB: 0 },
  // one card, one stack, quicker on it
  { ...COMMON, id: 'glintpath', name: 'Glintpath', trade: 'render', threadCap: 32, costs: { graphics: 0.8 }, computeStacks: ['Tesserel'], memoryGiB: { minimum: 16, recommended: 32 }, graphicsMemoryGiB: { minimum: 12, recommended: 24 }, ownMemoryGiB: 4, ownGraphicsMemoryGiB: 1.5 },

  { ...COMMON, id: 'meshkeel', name: 'Meshkeel', trade: 'survey', threadCap: 64, cards: { max: 2, gain: 0.8 }, computeStacks: ['Tesserel', 'Loomwork'], systems: ['System One-seat', 'System Works'], memoryGiB: { minimum: 32, recommended: 96 }, graphicsMemoryGiB: { minimum: 8, recommended: 12 }, ownMemoryGiB: 2.5, ownGraphicsMemoryGiB: 0.6 },
  // on cores only
  { ...COMMON, id: 'stonefathom', name: 'Stonefathom', trade: 'survey', effects: 'processor', threadCap: 128, costs: { cores: 0.9 }, memoryGiB: { minimum: 32, recommended: 96 }, graphicsMemoryGiB: { minimum: 1, recommended: 2 }, ownMemoryGiB: 2, ownGraphicsMemoryGiB: 0 },
  // cheap and narrow: few threads, one card
  { ...COMMON, id: 'cloudgull', name: 'Cloudgull', trade: 'survey', threadCap: 16, costs: { cores: 1.3, graphics: 1.2 }, computeStacks: ['open compute'], memoryGiB: { minimum: 16, recommended: 64 }, graphicsMemoryGiB: { minimum: 4, recommended: 8 }, ownMemoryGiB: 1.5, ownGraphicsMemoryGiB: 0.4 },

  { ...COMMON, id: 'driftframe', name: 'Driftframe', trade: 'motion', threadCap: 16, computeStacks: ['Tesserel', 'Loomwork', 'open compute'], memoryGiB: { minimum: 16, recommended: 64 }, graphicsMemoryGiB: { minimum: 4, recommended: 8 }, ownMemoryGiB: 4, ownGraphicsMemoryGiB: 1 },
  // everything on the cores, frames side by side
  { ...COMMON, id: 'paperkelp', name: 'Paperkelp', trade: 'motion', effects: 'processor', threadCap: 48, memoryGiB: { minimum: 32, recommended: 96 }, graphicsMemoryGiB: { minimum: 1, recommended: 2 }, ownMemoryGiB: 6, ownGraphicsMemoryGiB: 0 },
  // scripts compiled ahead: one thread matters less, graphics memory more
  { ...COMMON, id: 'glyphwave', name: 'Glyphwave', trade: 'motion', threadCap: 24, costs: { oneThread: 0.4, graphics: 1.5 }, computeStacks: ['Tesserel'], memoryGiB: { minimum: 16, recommended: 32 }, graphicsMemoryGiB: { minimum: 8, recommended: 16 }, ownMemoryGiB: 3, ownGraphicsMemoryGiB: 2 },

  { ...COMMON, id: 'rawharbour', name: 'Rawharbour', trade: 'stills', threadCap: 16, computeStacks: ['open compute'], memoryGiB: { minimum: 8, recommended: 32 }, graphicsMemoryGiB: { minimum: 2, recommended: 8 }, ownMemoryGiB: 3, ownGraphicsMemoryGiB: 0.8 },
  { ...COMMON, id: 'tidemark', name: 'Tidemark', trade: 'stills', effects: 'processor', threadCap: 32, memoryGiB: { minimum: 8, recommended: 16 }, graphicsMemoryGiB: { minimum: 0.5, recommended: 1 }, ownMemoryGiB: 2, ownGraphicsMemoryGiB: 0 },
  // learnt filters for everything: a large card
  { ...COMMON, id: 'softlens', name: 'Softlens', trade: 'stills', threadCap: 8, costs: { graphics: 2.5 }, computeStacks: ['Tesserel'], memoryGiB: { minimum: 16, recommended: 32 }, graphicsMemoryGiB: { minimum: 8, recommended: 16 }, ownMemoryGiB: 5, ownGraphicsMemoryGiB: 3 },

  { ...COMMON, id: 'slipmake', name: 'Slipmake', trade: 'build', effects: 'processor', threadCap: 256, memoryGiB: { minimum: 4, recommended: 16 }, graphicsMemoryGiB: { minimum: 0.1, recommended: 0.1 }, ownMemoryGiB: 0.5, ownGraphicsMemoryGiB: 0 },
  // keeps the whole project in memory
  { ...COMMON, id: 'quaybuild', name: 'Quaybuild', trade: 'build', effects: 'processor', threadCap: 64, costs: { cores: 0.75 }, memoryGiB: { minimum: 16, recommended: 64 }, graphicsMemoryGiB: { minimum: 0.1, recommended: 0.1 }, ownMemoryGiB: 10, ownGraphicsMemoryGiB: 0 },
  // few jobs at a time, slow to start
  { ...COMMON, id: 'barnacle', name: 'Barnacle', trade: 'build', effects: 'processor', threadCap: 12, costs: { oneThread: 2 }, memoryGiB: { minimum: 8, recommended: 16 }, graphicsMemoryGiB: { minimum: 0.1, recommended: 0.1 }, ownMemoryGiB: 2, ownGraphicsMemoryGiB: 0 },

  { ...COMMON, id: 'drillyard', name: 'Drillyard', trade: 'learn', threadCap: 64, cards: { max: 4, gain: 0.97 }, computeStacks: ['Tesserel', 'Loomwork'], systems: ['System Works'], memoryGiB: { minimum: 16, recommended: 64 }, graphicsMemoryGiB: { minimum: 8, recommended: 24 }, ownMemoryGiB: 6, ownGraphicsMemoryGiB: 0 },
  // one stack only, quicker on it
  { ...COMMON, id: 'tensorsail', name: 'Tensorsail', trade: 'learn', threadCap: 32, cards: { max: 8, gain: 0.98 }, costs: { graphics: 0.85 }, computeStacks: ['Tesserel'], systems: ['System Works'], memoryGiB: { minimum: 32, recommended: 128 }, graphicsMemoryGiB: { minimum: 12, recommended: 24 }, ownMemoryGiB: 8, ownGraphicsMemoryGiB: 0 },
  // answers on cores, from the machine's memory
  { ...COMMON, id: 'plainspoken', name: 'Plainspoken', trade: 'learn', effects: 'processor', threadCap: 64, memoryGiB: { minimum: 16, recommended: 64 }, graphicsMemoryGiB: { minimum: 0.1, recommended: 0.1 }, ownMemoryGiB: 2, ownGraphicsMemoryGiB: 0 },
];
