import { spawnSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from './prepare.mjs'

const CODE = /\.(ts|tsx|mjs|cjs|js)$/
const IS_TEST = /(^tests\/|\.test\.tsx?$)/
const LONG_LINES = 80

/** `src/core/plan/plan.ts` is in `src/core`; what lies outside `src` is in its first folder. */
function folderOf(path) {
  const parts = path.split('/')
  if (parts.length === 1) return '.'
  return parts[0] === 'src' && parts.length > 2 ? parts.slice(0, 2).join('/') : parts[0]
}

/**
 * Counts of the source, by the files that git knows. Nodes are those of TypeScript's syntax tree, so that neither comments
 * nor layout count; JSON data is counted the same way, by itself.
 * @returns nodes and lines by folder and in all, product functions over 80 lines, and device-kind literals outside their folder
 */
export async function measureSource() {
  const { default: ts } = await import('typescript')
  const listed = spawnSync('git', ['ls-files', '--cached', '--others', '--exclude-standard'], {
    cwd: root,
    encoding: 'utf8',
  })
  const paths = listed.stdout
    .split('\n')
    .filter((p) => CODE.test(p) || (/\.json$/.test(p) && p !== 'package-lock.json'))
  const folders = {}
  const longFunctions = []
  for (const path of paths.sort()) {
    const source = parse(ts, path)
    const isTest = IS_TEST.test(path)
    const sort = path.endsWith('.json') ? 'json' : isTest ? 'tests' : 'code'
    const own = ((folders[folderOf(path)] ??= {})[sort] ??= { files: 0, lines: 0, nodes: 0 })
    own.files++
    own.lines += source.getLineStarts().length - 1
    const visit = (node) => {
      own.nodes++
      if (sort === 'code' && isFunction(ts, node)) {
        const lines = linesOf(source, node)
        if (lines > LONG_LINES) longFunctions.push(`${path}:${lineOf(source, node)} ${nameOf(node)} ${lines}`)
      }
      ts.forEachChild(node, visit)
    }
    ts.forEachChild(source, visit)
  }
  const total = (key, sort) => Object.values(folders).reduce((sum, f) => sum + (f[sort]?.[key] ?? 0), 0)
  return {
    totals: Object.fromEntries(
      ['code', 'tests', 'json'].map((sort) => [
        sort,
        { files: total('files', sort), lines: total('lines', sort), nodes: total('nodes', sort) },
      ]),
    ),
    folders,
    kindLiterals: await kindLiterals(),
    longFunctions,
  }
}

function parse(ts, path) {
  const text = readFileSync(join(root, path), 'utf8')
  if (path.endsWith('.json')) return ts.parseJsonText(path, text)
  return ts.createSourceFile(
    path,
    text,
    ts.ScriptTarget.Latest,
    false,
    path.endsWith('x') ? ts.ScriptKind.TSX : undefined,
  )
}

/** Literals that name a device kind outside `equipment/kinds`, tests aside, and the number of files that have one. */
async function kindLiterals() {
  const [{ ESLint }, { default: tseslint }, { default: deviceKinds }] = await Promise.all([
    import('eslint'),
    import('typescript-eslint'),
    import('../lint/deviceKinds.mjs'),
  ])
  const lint = new ESLint({
    cwd: root,
    overrideConfigFile: true,
    overrideConfig: {
      files: ['src/**/*.ts', 'src/**/*.tsx'],
      ignores: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'src/core/equipment/kinds/**'],
      languageOptions: {
        parser: tseslint.parser,
        parserOptions: { projectService: true, tsconfigRootDir: root },
      },
      linterOptions: { reportUnusedDisableDirectives: 'off' },
      plugins: { gatecross: deviceKinds },
      rules: { 'gatecross/no-device-kind': 'error' },
    },
  })
  const found = (await lint.lintFiles(['src'])).map(
    ({ messages }) => messages.filter((m) => m.ruleId === 'gatecross/no-device-kind').length,
  )
  return { count: found.reduce((a, b) => a + b, 0), inFiles: found.filter(Boolean).length }
}

const isFunction = (ts, node) =>
  ts.isFunctionDeclaration(node) ||
  ts.isFunctionExpression(node) ||
  ts.isArrowFunction(node) ||
  ts.isMethodDeclaration(node) ||
  ts.isConstructorDeclaration(node)
/** Without a parent set, an arrow function is named by the line that it begins on. */
const nameOf = (node) => node.name?.text ?? '(unnamed)'
const startOf = (source, node) => source.text.slice(node.pos, node.end).search(/\S/) + node.pos
const lineOf = (source, node) => source.getLineAndCharacterOfPosition(startOf(source, node)).line + 1
const linesOf = (source, node) =>
  source.getLineAndCharacterOfPosition(node.end).line + 2 - lineOf(source, node)
