<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Look\Look;

/**
 * What a slip inherits from what stands above it, resolved once. Slips that are given the same share one of these, so
 * two of one layout are the same if they are identical; from one layout to another their hashes tell.
 */
final readonly class Given
{
    /** 8 bytes. */
    public string $hash;

    /**
     * @param  Arrangement  $arrangement  in which what is below it is laid out
     * @param  Growth  $growth  in which it stands from its parent
     * @param  Growth  $enters  in which the connector comes in; across the growth where that edge is taken
     * @param  int  $level  of the look; what is deeper than the last look has that one
     * @param  Look  $look  with everything decided
     * @param  bool  $keepsChalk  whether what is below takes this chalk, however topics come by theirs elsewhere
     * @param  bool  $isMirrored  whether what is below it is laid out as if seen in a mirror
     * @param  PhraseWay  $phrase  how the phrase of its own connector is shown
     * @param  string  $phrases  what becomes of those below it, as BranchPhrases has it
     */
    public function __construct(
        public Arrangement $arrangement,
        public Growth $growth,
        public Growth $enters,
        public int $level,
        public string $chalk,
        public Look $look,
        public bool $keepsChalk = false,
        public bool $isMirrored = false,
        public PhraseWay $phrase = PhraseWay::Strip,
        public string $phrases = '',
    ) {
        $this->hash = hash('xxh64', self::key($arrangement::name(), $growth, $enters, $level, $chalk, $look, $keepsChalk, $isMirrored, $phrase, $phrases), true);
    }

    public static function key(string $arrangement, Growth $growth, Growth $enters, int $level, string $chalk, Look $look, bool $keepsChalk = false, bool $isMirrored = false, PhraseWay $phrase = PhraseWay::Strip, string $phrases = ''): string
    {
        return "{$arrangement} {$growth->value} {$enters->value} {$level} {$chalk} {$look->hash} {$phrase->value} {$phrases}".($keepsChalk ? ' keeps' : '').($isMirrored ? ' mirrored' : '');
    }

    /** Where the marks of a folded branch stand. */
    public function opens(): Growth
    {
        return $this->isMirrored ? $this->arrangement->opens()->mirrored() : $this->arrangement->opens();
    }
}
