import { readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import ts from 'typescript';

/** Which file imports which, types counted: paths of modules that are among the given sources. */
export type ImportGraph = Map<string, string[]>;

const ENDINGS = ['', '.ts', '.tsx', '/index.ts'];

/** All TypeScript sources under a folder. */
export const sourcesIn = (folder: string): Map<string, string> =>
  new Map(
    readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .filter((name) => /\.tsx?$/.test(name))
      .map((name) => join(folder, name))
      .filter((path) => statSync(path).isFile())
      .map((path) => [path, readFileSync(path, 'utf8')]),
  );

/**
 * The imports of sources among each other: static and dynamic ones, re-exports, types as well as values.
 * @param named where a name that does not begin with a point leads, such as `@/ui/Txt`; null: not ours
 */
export function importGraph(
  sources: ReadonlyMap<string, string>,
  named: (name: string) => string | null = () => null,
): ImportGraph {
  const graph: ImportGraph = new Map();
  for (const [path, text] of sources) {
    const targets = ts.preProcessFile(text, true, true).importedFiles.flatMap(({ fileName }) => {
      const bare = fileName.startsWith('.') ? resolve(dirname(path), fileName) : named(fileName);
      const found = bare === null ? undefined : ENDINGS.map((ending) => bare + ending).find((one) => sources.has(one));
      return found === undefined ? [] : [found];
    });
    graph.set(path, [...new Set(targets)]);
  }
  return graph;
}

/** Groups of files that import each other in a circle, by Tarjan's algorithm; empty where imports go one way. */
export function circles(graph: ImportGraph): string[][] {
  const found: string[][] = [];
  const order = new Map<string, number>();
  const lowest = new Map<string, number>();
  const open: string[] = [];
  const visit = (path: string): void => {
    order.set(path, order.size);
    lowest.set(path, order.get(path) ?? 0);
    open.push(path);
    for (const next of graph.get(path) ?? []) {
      if (!order.has(next)) visit(next);
      if (open.includes(next)) lowest.set(path, Math.min(lowest.get(path) ?? 0, lowest.get(next) ?? 0));
    }
    if (lowest.get(path) !== order.get(path)) return;
    const group = open.splice(open.indexOf(path));
    const itself = graph.get(path)?.includes(path) === true;
    if (group.length > 1 || itself) found.push(group.sort());
  };
  for (const path of graph.keys()) if (!order.has(path)) visit(path);
  return found;
}
