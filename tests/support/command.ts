import { command } from '../../bin/command';
import { io } from '../../bin/io';

/** What a command came to: its exit code, and what it printed. */
export interface Answer {
  status: number;
  stdout: string;
  stderr: string;
}

/** What the command answers, asked in this process: a hundred starts of a program only cost time. */
export async function yj(args: string[], input = ''): Promise<Answer> {
  const own = { ...io };
  const said = { stdout: '', stderr: '' };
  io.input = () => Buffer.from(input);
  io.out = (text) => void (said.stdout += text);
  io.err = (text) => void (said.stderr += text);
  try {
    return { status: await command(args), ...said };
  } finally {
    Object.assign(io, own);
  }
}
