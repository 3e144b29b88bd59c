import type { Severity } from '../model';
import type { DriverClass } from '../boot';

export type FileName = 'CONFIG.SYS' | 'AUTOEXEC.BAT';

export const CONFIG: FileName = 'CONFIG.SYS';
export const BATCH: FileName = 'AUTOEXEC.BAT';

/** A change of one line that mends a finding. Nothing else of the file is touched. */
export interface Edit {
  file: FileName;
  line: number;
  /** What the line becomes; null: it goes. */
  text: string | null;
  /** Put in before that line, which stays. */
  isNew?: true;
}

/** What is wrong with a line, as data. */
export type BootFacts =
  | { rule: 'line.odd'; facts: { text: string } }
  | { rule: 'line.long'; facts: { length: number } }
  | { rule: 'word.unknown'; facts: { word: string; near: string | null } }
  | { rule: 'word.version'; facts: { word: string; since: number; dos: number } }
  | { rule: 'number.bad'; facts: { word: string; value: string; range: string } }
  | { rule: 'comment.version'; facts: { word: string; since: number; dos: number } }
  | { rule: 'at.version'; facts: { dos: number } }
  | { rule: 'driver.cpu'; facts: { file: string; needs: string; has: string } }
  | { rule: 'driver.twice'; facts: { what: DriverClass; first: number } }
  | { rule: 'driver.no-part'; facts: { file: string; what: 'optical' | 'network' | 'ems' | 'mouse' } }
  | { rule: 'driver.high'; facts: { file: string } }
  | { rule: 'driver.no-xms'; facts: { file: string } }
  | { rule: 'order.manager'; facts: { file: string; xms: number | null } }
  | { rule: 'high.none'; facts: { word: string; why: 'no-provider' | 'no-dos-umb' | 'no-upper' } }
  | { rule: 'dos.high'; facts: { why: 'no-xms' | 'no-memory' } }
  | { rule: 'region.version'; facts: { dos: number } }
  | { rule: 'region.missing'; facts: { region: number; there: number; withInclude: boolean } }
  | { rule: 'manager.both'; facts: Record<string, never> }
  | { rule: 'manager.frame'; facts: { range: string; owner: string; window: string } }
  | { rule: 'manager.frame-step'; facts: { at: string } }
  | { rule: 'manager.include'; facts: { range: string; owner: string; use: string } }
  | { rule: 'manager.overlap'; facts: { include: string; exclude: string } }
  | { rule: 'manager.exclude'; facts: { range: string; owner: string; sure: boolean } }
  | { rule: 'manager.master'; facts: { card: string } }
  | { rule: 'cd.no-driver'; facts: { name: string | null } }
  | { rule: 'cd.name'; facts: { name: string; known: string[] } }
  | { rule: 'cd.letter'; facts: { letter: string; last: string; isUsual: boolean } }
  | { rule: 'cd.twice'; facts: { name: string; first: number } }
  | { rule: 'cache.order'; facts: { redirector: number } }
  | { rule: 'country.path'; facts: { word: string } }
  | { rule: 'buffers.high'; facts: { buffers: number; most: number } }
  | { rule: 'environment.full'; facts: { needs: number; has: number; isUsual: boolean } }
  | { rule: 'path.long'; facts: { length: number } }
  | { rule: 'menu.many'; facts: { items: number } }
  | { rule: 'menu.block'; facts: { block: string } }
  | { rule: 'menu.unreached'; facts: { block: string } }
  | { rule: 'menu.default'; facts: { block: string } }
  | { rule: 'menu.empty'; facts: Record<string, never> }
  | { rule: 'label.missing'; facts: { label: string } }
  | { rule: 'label.twice'; facts: { label: string; first: number } }
  | { rule: 'label.falls'; facts: { label: string; into: string } }
  | { rule: 'shell.floppy'; facts: { path: string; what: 'SHELL' | 'COMSPEC' } }
  | { rule: 'letter.none'; facts: { letter: string } }
  | { rule: 'file.missing'; facts: { path: string; elsewhere: string[] } }
  | { rule: 'manager.refused'; facts: { programs: string[]; starts: number } }
  | { rule: 'blaster.differs'; facts: { key: string; says: string; card: string; is: string; sure: boolean } }
  | { rule: 'blaster.form'; facts: { why: 'blank' | 'lower' } }
  | { rule: 'blaster.extra'; facts: { key: string; card: string } }
  | { rule: 'blaster.short'; facts: { key: string; card: string; is: string } }
  | { rule: 'blaster.no-card'; facts: Record<string, never> }
  | { rule: 'blaster.missing'; facts: { card: string } }
  | {
      rule: 'packet.differs';
      facts: { what: 'port' | 'irq'; says: string; card: string; is: string; sure: boolean };
    }
  | { rule: 'packet.vector'; facts: { vector: string } }
  | { rule: 'call.open'; facts: { file: string } }
  | { rule: 'word.place'; facts: { word: string; belongs: FileName } }
  | { rule: 'shell.temporary'; facts: Record<string, never> }
  | { rule: 'device.program'; facts: { file: string; isSure: boolean } }
  | { rule: 'batch.ends'; facts: { file: string; from: number; to: number; by: string; isSure: boolean } }
  | { rule: 'batch.waits'; facts: { word: string; from: number } };

export type BootRule = BootFacts['rule'];

/** A finding on a line of a pair of files. */
export type BootFinding = BootFacts & {
  file: FileName;
  /** The line; 0 where what is missing stands nowhere. */
  line: number;
  severity: Severity;
  /** The choices of the menu in which it holds; empty: in every one. */
  choices: string[];
  edit: Edit | null;
};

export type Seen = BootFacts & Pick<BootFinding, 'file' | 'line' | 'severity'> & { edit?: Edit | null };
