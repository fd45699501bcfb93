<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Identify;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Identify\Evidence;
use FallBend\Core\Identify\Identifier;
use FallBend\Core\Identify\NextCheck;
use FallBend\Core\Input\Fields;
use PHPUnit\Framework\TestCase;

/** The next thing to look at is what tells most. */
final class NextCheckTest extends TestCase
{
    /**
     * @param array<string, mixed> $seen
     * @return array{by: string, answers: list<array{value: string, candidates: list<int>, likelihood: float}>,
     *     bits: float, calliper_decides: bool}|null
     */
    private static function next(array $seen): ?array
    {
        $evidence = Evidence::read(Fields::of($seen));

        return NextCheck::best((new Identifier(Catalogue::shipped()))->candidates($evidence), $evidence);
    }

    private const FOUR = ['circumference_mm' => 346, 'reading_error_mm' => 3.2, 'region' => 'us'];

    public function testAMagnetIsAskedForBeforeAnythingIsTakenForIron(): void
    {
        $black = [
            'od_mm' => 88.9,
            'reading_error_mm' => 3.2,
            'colour' => 'black',
            'joint_seen' => 'bell',
            'region' => 'us',
        ];
        self::assertSame('magnet', self::next($black)['by'] ?? null);
        self::assertNotSame('magnet', self::next(['magnet' => true] + $black)['by'] ?? null);
    }

    public function testWhatWasLookedAtIsNotAskedForAgain(): void
    {
        $seen = ['magnet' => true] + self::FOUR;
        self::assertSame('joint', self::next($seen)['by'] ?? null);
        self::assertNotSame('joint', self::next(['joint_seen' => 'band'] + $seen)['by'] ?? null);
    }

    public function testItsAnswersShareOutWhatIsLikely(): void
    {
        $next = self::next(['magnet' => true] + self::FOUR);
        self::assertNotNull($next);
        self::assertGreaterThan(1, count($next['answers']));
        $indices = array_merge(...array_column($next['answers'], 'candidates'));
        self::assertSame(count($indices), count(array_unique($indices)), 'no candidate gives two answers');
        $likelihoods = array_column($next['answers'], 'likelihood');
        $sorted = $likelihoods;
        rsort($sorted);
        self::assertSame($sorted, $likelihoods, 'the likeliest answer first');
    }

    public function testNothingIsAskedWhereNothingTellsThemApart(): void
    {
        self::assertNull(self::next(['magnet' => true, 'joint_seen' => 'iron-bell', 'print' => 'SV'] + self::FOUR));
        self::assertNull(self::next(['od_mm' => 700, 'reading_error_mm' => 0]));
    }
}
