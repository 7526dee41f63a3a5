<?php

declare(strict_types=1);

namespace ChalkTree\Document;

use League\CommonMark\Environment\EnvironmentBuilderInterface;
use League\CommonMark\Extension\CommonMark\CommonMarkCoreExtension;
use League\CommonMark\Extension\CommonMark\Parser\Block\BlockQuoteStartParser;
use League\CommonMark\Extension\CommonMark\Parser\Block\FencedCodeStartParser;
use League\CommonMark\Extension\CommonMark\Parser\Block\HeadingStartParser;
use League\CommonMark\Extension\CommonMark\Parser\Block\IndentedCodeStartParser;
use League\CommonMark\Extension\CommonMark\Parser\Block\ListBlockStartParser;
use League\CommonMark\Extension\CommonMark\Parser\Block\ThematicBreakStartParser;
use League\CommonMark\Extension\ConfigurableExtensionInterface;
use League\Config\ConfigurationBuilderInterface;

/** The blocks of CommonMark but for HTML, and nothing inline, which is read as titles are. */
final class NoteSyntax implements ConfigurableExtensionInterface
{
    public function configureSchema(ConfigurationBuilderInterface $builder): void
    {
        (new CommonMarkCoreExtension)->configureSchema($builder);
    }

    public function register(EnvironmentBuilderInterface $environment): void
    {
        $environment
            ->addBlockStartParser(new BlockQuoteStartParser, 70)
            ->addBlockStartParser(new HeadingStartParser, 60)
            ->addBlockStartParser(new FencedCodeStartParser, 50)
            ->addBlockStartParser(new ThematicBreakStartParser, 20)
            ->addBlockStartParser(new ListBlockStartParser, 10)
            ->addBlockStartParser(new IndentedCodeStartParser, -100);
    }
}
