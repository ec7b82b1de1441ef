import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

const KINDS_FOLDER = join(import.meta.dirname, '../../src/core/equipment/kinds')
/** Names of the kinds: the files of the folder that export a row. */
const KIND_NAMES = new Set(
  readdirSync(KINDS_FOLDER)
    .filter((f) => readFileSync(join(KINDS_FOLDER, f), 'utf8').includes(': KindRow = {'))
    .map((f) => f.replace(/\.ts$/, '')),
)

/** Whether a type is `DeviceKind`, or a union with all of it: words such as "relay" and "feed" have other meanings too. */
const isDeviceKind = (type) => {
  const members = new Set((type?.types ?? []).map((t) => t.value))
  return [...KIND_NAMES].every((name) => members.has(name))
}

/** Type that a literal is compared with, assigned to or looked up as. */
function typesAround(node, services, checker) {
  const { parent } = node
  const found = [checker.getContextualType(services.esTreeNodeToTSNodeMap.get(node))]
  if (parent.type === 'BinaryExpression')
    found.push(services.getTypeAtLocation(parent.left === node ? parent.right : parent.left))
  if (parent.type === 'SwitchCase') found.push(services.getTypeAtLocation(parent.parent.discriminant))
  const list = parent.type === 'ArrayExpression' && parent.parent
  const call = list?.type === 'MemberExpression' && list.parent
  if (call?.type === 'CallExpression') found.push(...call.arguments.map((a) => services.getTypeAtLocation(a)))
  return found
}

/** Refuses the name of a device kind as a literal: code asks for a trait of `equipment/kinds`. */
const noDeviceKind = {
  meta: {
    type: 'problem',
    schema: [],
    messages: { kind: '"{{kind}}" is a device kind. Ask for a trait: hasTrait, having.' },
  },
  create(context) {
    const services = context.sourceCode.parserServices
    const checker = services.program.getTypeChecker()
    return {
      Literal(node) {
        if (typeof node.value !== 'string' || !KIND_NAMES.has(node.value)) return
        if (typesAround(node, services, checker).some(isDeviceKind))
          context.report({ node, messageId: 'kind', data: { kind: node.value } })
      },
    }
  },
}

const plugin = { rules: { 'no-device-kind': noDeviceKind } }

export default plugin
