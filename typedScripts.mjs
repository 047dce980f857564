import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import { parser } from 'typescript-eslint';
import { parseForESLint } from 'vue-eslint-parser';

// The type check of the lint takes a TypeScript file as it stands, and opens a component anew for each, with all that it imports: two hundred
// of them took five minutes. Here the scripts of all components are in one program beside the rest, which takes seconds.

const root = import.meta.dirname;

/** The script of a component, just as its parser hands it on. */
function scriptOf(filePath) {
  let script = '';
  const listening = {
    parseForESLint(code, options) {
      // Expressions of the template are parsed without types.
      if (options.projectService) script = code;
      return parser.parseForESLint(code, { ...options, projectService: undefined });
    },
  };
  parseForESLint(readFileSync(filePath, 'utf8'), { filePath, parser: listening, projectService: true });
  return script;
}

function programOf(scripts) {
  const configFile = path.join(root, 'tsconfig.json');
  const { config } = ts.readConfigFile(configFile, ts.sys.readFile);
  const { options, fileNames } = ts.parseJsonConfigFileContent(config, ts.sys, root);
  const settings = { ...options, noEmit: true, allowNonTsExtensions: true };
  const host = ts.createCompilerHost(settings, true);
  const { readFile } = host;
  host.readFile = (name) => scripts.get(name) ?? readFile(name);
  host.getSourceFile = (name, languageVersion) => {
    const text = host.readFile(name);
    return text === undefined
      ? undefined
      : ts.createSourceFile(
          name,
          text,
          languageVersion,
          true,
          scripts.has(name) ? ts.ScriptKind.TS : undefined,
        );
  };
  return ts.createProgram([...fileNames, ...scripts.keys()], settings, host);
}

let known;
function onDisk() {
  if (known) return known;
  const components = readdirSync(path.join(root, 'web'), { recursive: true })
    .filter((name) => name.endsWith('.vue'))
    .map((name) => path.join(root, 'web', name));
  known = programOf(new Map(components.map((name) => [name, scriptOf(name)])));
  return known;
}

/** Parses scripts with their types by one program for all; what is not as it stands on the disk, as an editor has it, by itself as before. */
export const typedScripts = {
  meta: { name: 'typed-scripts' },
  parseForESLint(code, options) {
    if (!options.projectService) return parser.parseForESLint(code, options);
    const program = onDisk();
    return program.getSourceFile(options.filePath)?.text === code
      ? parser.parseForESLint(code, { ...options, projectService: undefined, programs: [program] })
      : parser.parseForESLint(code, options);
  },
};
