<?php

declare(strict_types=1);

namespace ChalkTree;

use ChalkTree\Arrange\ArrangeFeature;
use ChalkTree\Attach\AttachFeature;
use ChalkTree\Brace\BraceFeature;
use ChalkTree\Compare\CompareFeature;
use ChalkTree\CrossLink\CrossLinkFeature;
use ChalkTree\Digest\DigestFeature;
use ChalkTree\Draft\DraftFeature;
use ChalkTree\Filter\FilterFeature;
use ChalkTree\HandOver\HandOverFeature;
use ChalkTree\Kind\KindFeature;
use ChalkTree\Link\LinkFeature;
use ChalkTree\Lock\LockFeature;
use ChalkTree\Look\LookFeature;
use ChalkTree\Number\NumberFeature;
use ChalkTree\Picture\PictureFeature;
use ChalkTree\Privacy\PrivacyFeature;
use ChalkTree\Process\ProcessFeature;
use ChalkTree\Ring\RingFeature;
use ChalkTree\Rule\RuleFeature;
use ChalkTree\Show\ShowFeature;
use ChalkTree\Sign\SignFeature;
use ChalkTree\Story\StoryFeature;
use ChalkTree\Table\TableFeature;
use ChalkTree\Task\TaskFeature;
use ChalkTree\Walk\WalkFeature;
use ChalkTree\Words\WordsFeature;

/** The list of all features. A new one is a folder and one line here. */
final class Features
{
    /** @var list<class-string<Feature>> */
    private const ALL = [
        ArrangeFeature::class,
        AttachFeature::class,
        BraceFeature::class,
        CompareFeature::class,
        CrossLinkFeature::class,
        DigestFeature::class,
        DraftFeature::class,
        FilterFeature::class,
        HandOverFeature::class,
        KindFeature::class,
        LinkFeature::class,
        LockFeature::class,
        LookFeature::class,
        NumberFeature::class,
        PictureFeature::class,
        PrivacyFeature::class,
        ProcessFeature::class,
        RingFeature::class,
        RuleFeature::class,
        ShowFeature::class,
        SignFeature::class,
        StoryFeature::class,
        TableFeature::class,
        TaskFeature::class,
        WalkFeature::class,
        WordsFeature::class,
    ];

    /** @var array<class-string<Feature>, Feature>|null */
    private static ?array $all = null;

    /** @return array<class-string<Feature>, Feature> */
    public static function all(): array
    {
        return self::$all ??= array_combine(self::ALL, array_map(fn (string $class): Feature => new $class, self::ALL));
    }

    /** Adds one that does not ship with the application, for as long as the process runs. */
    public static function add(Feature $feature): void
    {
        self::$all = self::all() + [$feature::class => $feature];
    }

    /** @return list<class-string<Map\FeatureRow>> the sorts of row of all features */
    public static function rows(): array
    {
        return array_merge(...array_values(array_map(fn (Feature $feature): array => $feature->rows(), self::all())));
    }
}
