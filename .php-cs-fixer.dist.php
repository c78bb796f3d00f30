<?php

declare(strict_types=1);

$files = PhpCsFixer\Finder::create()
    ->in([__DIR__.'/core', __DIR__.'/server', __DIR__.'/demo/src', __DIR__.'/tests/core', __DIR__.'/tests/server'])
    ->notPath('public/build')
    ->append([__FILE__]);

return (new PhpCsFixer\Config())
    ->setRiskyAllowed(true)
    ->setCacheFile(__DIR__.'/var/cache/php-cs-fixer')
    ->setRules([
        '@Symfony' => true,
        'single_line_throw' => false,
        'class_definition' => ['multi_line_extends_each_single_line' => true],
        '@Symfony:risky' => true,
        '@PHP8x2Migration' => true,
        'declare_strict_types' => true,
        'strict_comparison' => true,
        'phpdoc_to_comment' => false,
        'single_line_empty_body' => false,
        'global_namespace_import' => ['import_classes' => false, 'import_constants' => false, 'import_functions' => false],
    ])
    ->setFinder($files);
