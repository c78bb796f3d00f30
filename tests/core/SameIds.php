<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core;

use PhpParser\Node;
use PhpParser\Node\Expr\BinaryOp;
use PHPStan\Analyser\Scope;
use PHPStan\Rules\Rule;
use PHPStan\Rules\RuleErrorBuilder;
use PHPStan\Type\ObjectType;
use PHPStan\Type\TypeCombinator;
use ZippyTray\Core\Id;

/**
 * Two ids are the same when their texts are, which `===` does not say. Read by the static analysis, not by the test runner.
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
        foreach ([$node->left, $node->right] as $side) {
            $type = TypeCombinator::removeNull($scope->getType($side));
            if ((new ObjectType(Id::class))->isSuperTypeOf($type)->no() || $scope->getType($side)->isNull()->yes()) {
                return [];
            }
        }

        return [RuleErrorBuilder::message('Ids are compared by is().')->identifier('zippyTray.sameIds')->build()];
    }
}
