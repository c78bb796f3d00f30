<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core;

use PhpParser\Node;
use PhpParser\Node\Expr;
use PhpParser\Node\Expr\BinaryOp;
use PHPStan\Analyser\Scope;
use PHPStan\Rules\Rule;
use PHPStan\Rules\RuleErrorBuilder;
use PHPStan\Type\MixedType;
use PHPStan\Type\ObjectType;
use PHPStan\Type\Type;
use PHPStan\Type\TypeCombinator;
use ZippyTray\Core\Id;

/**
 * Two ids are the same when their texts are, which `===` does not say, and neither do in_array() and array_search(); and no id is
 * the same as a text. Read by the static analysis, not by the test runner.
 *
 * @implements Rule<Expr>
 */
final class SameIds implements Rule
{
    public function getNodeType(): string
    {
        return Expr::class;
    }

    public function processNode(Node $node, Scope $scope): array
    {
        $sides = match (true) {
            $node instanceof BinaryOp\Identical, $node instanceof BinaryOp\NotIdentical => [
                $scope->getType($node->left),
                $scope->getType($node->right),
            ],
            $node instanceof Expr\FuncCall => self::sought($node, $scope),
            default => [],
        };
        if ([] === $sides) {
            return [];
        }
        if ($sides[0]->isNull()->yes() || $sides[1]->isNull()->yes()) {
            return [];
        }
        $isId = static fn (Type $type): bool => !(new ObjectType(Id::class))->isSuperTypeOf(TypeCombinator::removeNull($type))->no();
        if (!array_filter(array_filter($sides, static fn (Type $type): bool => !$type instanceof MixedType), $isId)) {
            return [];
        }

        return [RuleErrorBuilder::message('Ids are compared by is().')->identifier('zippyTray.sameIds')->build()];
    }

    /** @return list<Type> what is looked for, and what it is looked for among */
    private static function sought(Expr\FuncCall $call, Scope $scope): array
    {
        $isSearch = $call->name instanceof Node\Name && \in_array($call->name->toLowerString(), ['in_array', 'array_search'], true);
        if (!$isSearch || $call->isFirstClassCallable()) {
            return [];
        }

        return [$scope->getType($call->getArgs()[0]->value), $scope->getType($call->getArgs()[1]->value)->getIterableValueType()];
    }
}
