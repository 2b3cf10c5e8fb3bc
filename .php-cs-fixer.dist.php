<?php

declare(strict_types=1);

return (new PhpCsFixer\Config())
    ->setRiskyAllowed(true)
    ->setRules(['@PER-CS' => true, '@PER-CS:risky' => true, 'declare_strict_types' => true, 'ordered_imports' => true, 'no_unused_imports' => true, 'single_quote' => true, 'trailing_comma_in_multiline' => true, 'method_argument_space' => ['on_multiline' => 'ensure_fully_multiline']])
    ->setFinder(PhpCsFixer\Finder::create()->notPath('reference.php')->in([__DIR__ . '/core', __DIR__ . '/studio', __DIR__ . '/src', __DIR__ . '/tests', __DIR__ . '/config', __DIR__ . '/migrations'])->append([__DIR__ . '/public/index.php', __DIR__ . '/bin/rhapsode', __DIR__ . '/bin/console', __FILE__]));
