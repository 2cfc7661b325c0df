import { ESLintUtils } from '@typescript-eslint/utils';
import ts from 'typescript';

/** The place of a constant is written out: it is chosen by whoever wrote the program. */
const isWrittenOut = (type) =>
  type.isUnion() ? type.types.every(isWrittenOut) : type.isStringLiteral() || type.isNumberLiteral();
const isText = (type) => (type.flags & ts.TypeFlags.StringLike) !== 0 && !isWrittenOut(type);
const mayBeText = (type) => isText(type) || (type.isUnionOrIntersection() && type.types.some(mayBeText));

/**
 * Forbids looking a text up in a plain object: `constructor` and `__proto__` are in every one. Words of ours, whose type
 * lists them, may be looked up; what comes from outside is looked up in a Map, or by `entryOf` of core/entries.
 */
const noObjectAsMap = {
  meta: {
    type: 'problem',
    schema: [],
    messages: {
      lookUp:
        'A plain object has “constructor” and “__proto__”: use a Map, or entryOf and recordOf of core/entries.',
    },
  },
  create(context) {
    const services = ESLintUtils.getParserServices(context);
    const checker = services.program.getTypeChecker();
    const isMap = (node) => {
      const type = services.getTypeAtLocation(node);
      return checker.getIndexInfoOfType(checker.getNonNullableType(type), ts.IndexKind.String) !== undefined;
    };
    return {
      MemberExpression(node) {
        if (!node.computed || node.property.type === 'Literal') return;
        if (mayBeText(services.getTypeAtLocation(node.property)) && isMap(node.object))
          context.report({ node, messageId: 'lookUp' });
      },
      BinaryExpression(node) {
        if (node.operator !== 'in' || node.left.type === 'Literal' || node.left.type === 'PrivateIdentifier')
          return;
        if (mayBeText(services.getTypeAtLocation(node.left))) context.report({ node, messageId: 'lookUp' });
      },
    };
  },
};

export default noObjectAsMap;
