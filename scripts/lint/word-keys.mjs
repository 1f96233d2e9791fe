// A lint rule: what is looked up in a plain object by a name that people made must be its own. An object whose type
// takes any string as a key answers to "constructor" too, with something that nobody put there.
import { ESLintUtils } from '@typescript-eslint/utils';
import ts from 'typescript';

/** Whether a key can be any word: a string, and not one of a few that the code names. */
function isAnyWord(type) {
  if (type.isUnion()) return type.types.some(isAnyWord);
  return (type.flags & ts.TypeFlags.String) !== 0 || (type.flags & ts.TypeFlags.TemplateLiteral) !== 0;
}

/** Whether a type answers to any string: an index signature of strings. */
function takesAnyWord(type, checker) {
  if (type.isUnion()) return type.types.some((each) => takesAnyWord(each, checker));
  return checker.getIndexInfoOfType(type, ts.IndexKind.String) !== undefined;
}

export const wordKeys = ESLintUtils.RuleCreator.withoutDocs({
  meta: {
    type: 'problem',
    schema: [],
    messages: {
      read: 'Look a word up with ownValue(record, key): "constructor" is a word too.',
      write:
        'Set a word with Object.fromEntries, a computed key in a literal, or a Map: "__proto__" is a word too.',
      in: 'Ask with Object.hasOwn(record, key): "constructor" is in every object.',
    },
  },
  defaultOptions: [],
  create(context) {
    const services = ESLintUtils.getParserServices(context);
    const checker = services.program.getTypeChecker();
    const isWrite = (node) =>
      (node.parent.type === 'AssignmentExpression' && node.parent.left === node) ||
      (node.parent.type === 'UpdateExpression' && node.parent.argument === node) ||
      (node.parent.type === 'UnaryExpression' && node.parent.operator === 'delete');
    /** Whether a look-up stands where it was asked for by Object.hasOwn, in the condition it hangs on. */
    const isKnownOwn = (node) => {
      const { parent } = node;
      const text = (part) => context.sourceCode.getText(part);
      const asked = `Object.hasOwn(${text(node.object)}, ${text(node.property)})`;
      return (
        parent.type === 'ConditionalExpression' &&
        parent.consequent === node &&
        text(parent.test).includes(asked)
      );
    };
    return {
      MemberExpression(node) {
        if (!node.computed || node.property.type === 'Literal') return;
        if (!takesAnyWord(services.getTypeAtLocation(node.object), checker)) return;
        if (!isAnyWord(services.getTypeAtLocation(node.property))) return;
        if (isKnownOwn(node)) return;
        context.report({ node, messageId: isWrite(node) ? 'write' : 'read' });
      },
      'ObjectPattern > Property[computed=true]'(node) {
        if (node.key.type === 'Literal' || !isAnyWord(services.getTypeAtLocation(node.key))) return;
        if (!takesAnyWord(services.getTypeAtLocation(node.parent), checker)) return;
        context.report({ node, messageId: 'read' });
      },
      'BinaryExpression[operator="in"]'(node) {
        if (isAnyWord(services.getTypeAtLocation(node.left))) context.report({ node, messageId: 'in' });
      },
    };
  },
});
