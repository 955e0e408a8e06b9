/**
 * Two rules of the house: nobody outside the folder of a way compares or writes its name, and nobody finds out by the shape of a
 * document or a result which way it is of. What is asked of a way is asked as its property.
 */

const NAME =
  'Nobody outside the folder of a way knows its name: ask wayOf, forecastWayOf or trendWayOf for what it says of itself.'
const SHAPE =
  'A way is not told by the shape of what it makes: ask wayOf, forecastWayOf or trendWayOf for what it says of itself.'

/** What `in` asks for the way of: the parts of a document or result that each way has in a shape of its own. */
const PARTS = new Set([
  'decompose',
  'decomposition',
  'forecast',
  'ahead',
  'trend',
  'trendFit',
  'taken',
])

/** The key that an expression was read from: `by` of `method.forecast?.by`, of a local that holds it, and of one taken apart. */
function keyOf(node, scopes) {
  switch (node?.type) {
    case 'ChainExpression':
    case 'TSNonNullExpression':
    case 'TSAsExpression':
      return keyOf(node.expression, scopes)
    case 'MemberExpression':
      return node.computed ? null : node.property.name
    case 'Identifier':
      return keyOfLocal(node, scopes) ?? node.name
    default:
      return null
  }
}

/** Of a local variable: what it was taken from. */
function keyOfLocal(node, scopes) {
  const [definition] = variableOf(node, scopes)?.defs ?? []
  if (!definition) return null
  const property = definition.name.parent
  if (property?.type === 'Property' && property.value === definition.name) return property.key.name
  if (property?.type === 'AssignmentPattern' && property.parent?.type === 'Property') {
    return property.parent.key.name
  }
  const { init } = definition.node
  return definition.type === 'Variable' && definition.node.id === definition.name && init
    ? keyOf(init, scopes)
    : null
}

function variableOf(node, scopes) {
  for (let scope = scopes.getScope(node); scope; scope = scope.upper) {
    const found = scope.set.get(node.name)
    if (found) return found
  }
  return null
}

const textOf = (node) =>
  node?.type === 'Literal' && typeof node.value === 'string' ? node.value : null

const noWayNames = {
  meta: { type: 'problem', schema: [{ type: 'object' }] },
  create(context) {
    const { by, form } = context.options[0]
    const names = { by: new Set(by), form: new Set(form) }
    const scopes = context.sourceCode
    /** Whether a text is the name of a way where it is held against what a key was read from. */
    const isName = (text, node) => {
      const key = keyOf(node, scopes)
      if (text === null || !Object.hasOwn(names, key ?? '')) return false
      // A season has forms too, and one of both has none.
      if (key === 'form' && text === 'none') return /trend/i.test(scopes.getText(node))
      return names[key].has(text)
    }
    const refuse = (node) => context.report({ node, message: NAME })
    return {
      'BinaryExpression[operator=/^[!=]==$/]'({ left, right }) {
        if (isName(textOf(right), left)) refuse(right)
        if (isName(textOf(left), right)) refuse(left)
      },
      SwitchStatement({ discriminant, cases }) {
        for (const { test } of cases) if (isName(textOf(test), discriminant)) refuse(test)
      },
      'CallExpression[callee.property.name="includes"]'({ callee, arguments: [own] }) {
        if (callee.object.type !== 'ArrayExpression') return
        for (const one of callee.object.elements) if (isName(textOf(one), own)) refuse(one)
      },
      'ObjectExpression > Property'({ key, value }) {
        const text = textOf(value)
        if (key.name === 'by' && names.by.has(text)) refuse(value)
        if (key.name === 'form' && text !== 'none' && names.form.has(text)) refuse(value)
      },
    }
  },
}

/** What only the forecast of one way has: whether it is there is that way's to know. */
const REPORT = 'regression'

const noShapeQuestions = {
  meta: { type: 'problem', schema: [] },
  create(context) {
    const scopes = context.sourceCode
    const refuseReport = (node) => {
      if (keyOf(node, scopes) === REPORT) context.report({ node, message: SHAPE })
    }
    return {
      // Whether it is there, asked in any of the ways a language has for that.
      'IfStatement, ConditionalExpression'({ test }) {
        refuseReport(test)
      },
      LogicalExpression({ left }) {
        refuseReport(left)
      },
      'UnaryExpression[operator="!"]'({ argument }) {
        refuseReport(argument)
      },
      'BinaryExpression[operator=/^[!=]==?$/]'({ left, right }) {
        if (right.type === 'Literal' && right.value === null) refuseReport(left)
      },
      'MemberExpression[optional=true]'({ object }) {
        refuseReport(object)
      },
      'BinaryExpression[operator="in"]'(node) {
        if (textOf(node.left) !== null && PARTS.has(keyOf(node.right, scopes) ?? '')) {
          context.report({ node, message: SHAPE })
        }
      },
    }
  },
}

export const waysAskThemselves = {
  rules: { 'no-way-names': noWayNames, 'no-shape-questions': noShapeQuestions },
}
