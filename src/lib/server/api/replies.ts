import { server } from '../../words/server';
import { z } from 'zod';
import {
  Build,
  DiskRecord,
  FloppySize,
  Notebook,
  Part,
  PhotoMarks,
  Ribbon,
  ShelfItem,
  Sighting
} from '../../core/model';
import { CHOICES } from '../../core/own';
import { STATUSES } from '../../core/rules';
import type { Change, ToldFinding } from '../../words';
import { LEVELS, type Level, type Objective } from '../../core/solver';

/** Shapes of the replies, for the description of the API and for its tests. */
const Ref = z.object({ item: z.string(), function: z.string() });

export const Fix = z.union([
  z.object({ action: z.literal('set'), item: z.string(), setting: z.string(), position: z.string() }),
  z.object({
    action: z.literal('move-slot'),
    item: z.string(),
    slot: z.string(),
    swapWith: z.string().optional()
  }),
  z.object({ action: z.literal('unlock'), item: z.string(), setting: z.string() }),
  z.object({ action: z.literal('switch-off'), item: z.string(), function: z.string() }),
  z.object({ action: z.literal('exchange'), item: z.string(), with: z.string() }),
  z.object({ action: z.literal('take-out'), item: z.string() }),
  z.object({
    action: z.literal('jumper'),
    item: z.string(),
    unit: z.string().optional(),
    terminated: z.boolean().optional()
  }),
  z.object({ action: z.literal('image'), item: z.string(), kib: FloppySize }),
  z.object({ action: z.literal('ribbon'), item: z.string(), function: z.string(), ribbon: Ribbon }),
  z.object({ action: z.literal('declare'), item: z.string(), setup: DiskRecord.shape.setup.unwrap() }),
  z.object({ action: z.literal('acknowledge'), finding: z.string() }),
  z.object({ action: z.literal('never-together'), a: Ref, b: Ref })
]);

export const FindingReply = z.object({
  id: z.string(),
  rule: z.string(),
  /** What was found, as data; its fields follow from the rule. */
  facts: z.looseObject({}),
  severity: z.enum(['stop', 'clash', 'caution', 'note']),
  subjects: z.array(
    z.object({
      item: z.string(),
      function: z.string().optional(),
      setting: z.string().optional(),
      slot: z.string().optional()
    })
  ),
  title: z.string(),
  sentence: z.string(),
  why: z.string(),
  fixes: z.array(z.object({ label: z.string(), fix: Fix })),
  line: z
    .object({ resource: z.enum(['irq', 'dma', 'io', 'memory']), from: z.number(), to: z.number() })
    .optional()
}) satisfies z.ZodType<Omit<ToldFinding, 'rule' | 'facts'> & { rule: string; facts: object }>;

export const CheckReply = z.object({
  status: z.enum(STATUSES),
  findings: z.array(FindingReply)
});

const Window = z.string().describe(server.paragraphs);
export const MemoryMapReply = z.looseObject({
  conventionalKiB: z.number().nullable(),
  pieces: z.array(
    z.looseObject({ window: Window, kib: z.number(), owner: z.string(), sure: z.enum(['known', 'assumed']) })
  ),
  collisions: z.array(z.object({ window: Window, a: z.string(), b: z.string() })),
  hidden: z.array(z.string()),
  doubtful: z.array(z.string()),
  memory: z.looseObject({ fittedKiB: z.number(), count: z.number() }).nullable()
});

export const BootReply = z.union([
  z.object({ plan: z.null(), why: z.string(), words: z.string() }),
  z.looseObject({
    dos: z.number(),
    refused: z.array(z.string()),
    starts: z.array(
      z.looseObject({ name: z.string(), label: z.string(), freeKiB: z.tuple([z.number(), z.number()]) })
    ),
    fewest: z.number().int(),
    isCut: z.boolean(),
    files: z.array(z.object({ name: z.string(), text: z.string(), reasons: z.array(z.string()) })),
    toCopy: z.array(z.string())
  })
]);

export const BootCheckReply = z.looseObject({
  dos: z.number().nullable(),
  notAsked: z.array(z.string()),
  findings: z.array(
    z.looseObject({
      file: z.string(),
      line: z.number().int(),
      rule: z.string(),
      severity: z.string(),
      choices: z.array(z.string()),
      title: z.string(),
      sentence: z.string()
    })
  )
});

export const RehearseReply = z.looseObject({
  family: z.string(),
  stages: z.array(z.looseObject({ stage: z.string(), words: z.string(), stops: z.number() }))
});

export const DiagnoseReply = z.looseObject({
  family: z.string(),
  explanations: z.array(z.looseObject({ faults: z.array(z.string()), p: z.number(), words: z.string() })),
  parts: z.array(z.looseObject({ component: z.string(), verdict: z.string() })),
  tests: z.array(z.looseObject({ test: z.string(), minutes: z.number() }))
});

/** Figures of the objective, one for each of its levels. */
const Figures = z.object(
  Object.fromEntries(LEVELS.map((level) => [level, z.number()])) as Record<Level, z.ZodNumber>
) satisfies z.ZodType<Objective>;

const Solution = {
  positions: z.record(z.string(), z.record(z.string(), z.string())),
  claims: z.array(z.looseObject({ item: z.string(), function: z.string(), text: z.string() })),
  moves: z.array(
    z.object({ item: z.string(), setting: z.string(), from: z.string().nullable(), to: z.string() })
  ),
  shares: z.array(z.looseObject({ a: Ref, b: Ref, line: z.string(), tolerated: z.boolean() })),
  off: z.array(Ref),
  objective: Figures
};
export const ResolutionReply = z.union([
  z.object({
    status: z.literal('solved'),
    optimal: z.boolean(),
    bound: Figures,
    alternatives: z.array(z.object(Solution)),
    unknown: z.array(
      z.object({
        kind: z.enum(['claims', 'setting', 'routing']),
        item: z.string(),
        function: z.string().optional(),
        setting: z.string().optional(),
        slot: z.string().optional()
      })
    ),
    nodes: z.number(),
    ...Solution
  }),
  z.object({
    status: z.literal('impossible'),
    core: z.array(z.looseObject({ item: z.string(), function: z.string() })),
    minimal: z.boolean(),
    relaxations: z.array(z.looseObject({})),
    nodes: z.number()
  }),
  z.object({ status: z.literal('stopped'), bound: Figures, nodes: z.number() })
]);

export const RecordReply = z.object({
  build: Build,
  head: z.number().int(),
  updated: z.string(),
  canUndo: z.boolean(),
  canRedo: z.boolean()
});

export const ItemReply = z.object({
  id: z.string(),
  part: z.string(),
  kind: z.string(),
  title: z.string(),
  maker: z.string(),
  where: z.enum(['board', 'fitted', 'ready']),
  slot: z.string().nullable(),
  specimen: z.string().optional(),
  borrowed: z.boolean().optional(),
  build: z.string(),
  buildName: z.string()
});

export const SummaryReply = z.object({
  id: z.string(),
  name: z.string(),
  head: z.number().int(),
  created: z.string(),
  updated: z.string(),
  deleted: z.string().nullable(),
  board: z.string(),
  date: z.string().nullable(),
  role: z.string().nullable(),
  parts: z.number().int(),
  stops: z.number().int(),
  clashes: z.number().int(),
  cautions: z.number().int(),
  verdict: z.enum([...STATUSES, 'unchecked', 'too-large', 'unreadable']),
  trouble: z.string().nullable(),
  lastStart: z
    .object({ at: z.string(), said: z.string(), isGood: z.boolean(), suspects: z.array(z.string()) })
    .nullable()
});

export const PreviewReply = z.object({
  rows: z.array(
    z.object({
      part: Part,
      standing: z.enum(['new', 'same', 'differs', 'catalogue']),
      differences: z.array(z.string()),
      choices: z.array(z.enum(CHOICES))
    })
  ),
  refused: z.array(
    z.object({ name: z.string(), problems: z.array(z.object({ path: z.string(), message: z.string() })) })
  )
});

export const ChangeReply = z.object({
  key: z.string(),
  subject: z.string(),
  what: z.string(),
  from: z.string(),
  to: z.string(),
  isQuiet: z.boolean()
}) satisfies z.ZodType<Change>;

export const RevisionReply = z.object({
  id: z.number().int(),
  parent: z.number().int().nullable(),
  at: z.string(),
  note: z.string(),
  mark: z.string().nullable(),
  isHead: z.boolean(),
  changes: z.array(ChangeReply).nullable(),
  unreadable: z.boolean()
});

export const HealthReply = z.object({
  schema: z.number().int(),
  bytes: z.number().int(),
  builds: z.number().int(),
  inBin: z.number().int(),
  revisions: z.number().int(),
  parts: z.number().int(),
  problems: z.array(z.string())
});

export const Problem = z.object({
  title: z.string(),
  status: z.number().int(),
  /** Places in what was sent, such as build.items[2].slot, and what is wrong there. */
  problems: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
  /** With 409: the state that was saved in between. */
  current: RecordReply.optional(),
  /** With 422: what is kept is damaged; it can be exported as it is. */
  unreadable: z.boolean().optional(),
  /** With 410: the build lies in the bin. */
  bin: z.boolean().optional()
});

export const PartReply = Part;

export const ShelfReply = z.object({
  item: ShelfItem,
  version: z.number().int(),
  title: z.string(),
  maker: z.string(),
  kind: z.string(),
  summary: z.string(),
  usedIn: z.array(z.object({ build: z.string(), name: z.string(), borrowed: z.boolean() })),
  lentTo: z.string().nullable(),
  photos: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      width: z.number().int(),
      height: z.number().int(),
      marks: PhotoMarks
    })
  )
});

export const NotebookReply = z.object({ notebook: Notebook, version: z.number().int() });
export const SightingReply = z.object({ sighting: Sighting, version: z.number().int() });

export const CsvReply = z.object({
  added: z.number().int(),
  rows: z.array(
    z.object({
      line: z.number().int(),
      text: z.string(),
      item: ShelfItem.nullable(),
      problems: z.array(z.object({ path: z.string(), message: z.string() }))
    })
  )
});

export const FacetsReply = z.object({
  drawer: z.record(z.string(), z.number()),
  bus: z.record(z.string(), z.number())
});

export const PlanReply = z.object({
  plans: z.array(
    z.looseObject({
      build: Build,
      score: z.number(),
      met: z.array(z.string()),
      missed: z.array(z.object({ profile: z.string(), sentence: z.string() })),
      rough: z.array(z.object({ profile: z.string(), sentence: z.string() }))
    })
  ),
  exact: z.boolean(),
  machines: z.number().int(),
  reasons: z.array(z.string()),
  drops: z.array(z.looseObject({}))
});
