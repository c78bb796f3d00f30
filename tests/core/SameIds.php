<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core;

use PhpParser\Node;
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
 * Two ids are the same when their texts are, which `===` does not say, and no id is the same as a text. Read by the static analysis, not by the test runner.
 *
 * @implements Rule<BinaryOp>
 */
final class SameIds implements Rule
{
    public function getNodeType(): string
    {
        return BinaryOp::class;
    }

    public function processNode(Node $node, Scope $scope): array
    {
        if (!$node instanceof BinaryOp\Identical && !$node instanceof BinaryOp\NotIdentical) {
            return [];
        }
        $sides = array_map($scope->getType(...), [$node->left, $node->right]);
        if ($sides[0]->isNull()->yes() || $sides[1]->isNull()->yes()) {
            return [];
        }
        $isId = static fn (Type $type): bool => !(new ObjectType(Id::class))->isSuperTypeOf(TypeCombinator::removeNull($type))->no();
        if (!array_filter(array_filter($sides, static fn (Type $type): bool => !$type instanceof MixedType), $isId)) {
            return [];
        }

        return [RuleErrorBuilder::message('Ids are compared by is().')->identifier('zippyTray.sameIds')->build()];
    }
}
