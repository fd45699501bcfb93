<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Cases;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Network\LoadedFixture;
use FallBend\Core\Network\Network;
use FallBend\Core\Tests\Network\CaseJob;
use FallBend\Core\Venting\Vents;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Ways of venting, on both sides of each limit: rows of book, small network, and how each trap is vented. `not`: the
 * book takes it in no way; `unknown`: that is not judged, or not described. Written from the clauses.
 *
 * @phpstan-type Run array{0: string, 1: string, 2: string, 3?: array<string, mixed>}
 * @phpstan-type VentCase array{
 *     book: string,
 *     name: string,
 *     clause: string,
 *     runs: array<string, Run>,
 *     building?: array<string, mixed>,
 *     expect: array<string, string>,
 * }
 */
final class VentingTest extends TestCase
{
    /** What stops a trap, and what asks for more of it. */
    private const STOPS = ['vent.missing', 'vent.byStack'];

    private const ASKS = ['vent.notJudged', 'vent.belowNotKnown', 'vent.aboveNotKnown'];

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function cases(): iterable
    {
        return CaseRows::of('venting.json');
    }

    /** @param VentCase $case */
    #[DataProvider('cases')]
    public function testEachTrapIsVentedAsTheBookHasIt(array $case): void
    {
        $network = CaseJob::network($case['book'], $case['runs'], $case['building'] ?? []);
        $vents = new Vents($network, Catalogue::shipped()->rulebook($case['book']));
        $findings = CaseJob::findings(
            CaseJob::of($case['book'], $case['runs'], building: $case['building'] ?? []),
            true,
        );
        foreach ($case['expect'] as $run => $expected) {
            $arm = $network->arm(self::head($network, $run));
            self::assertNotNull($arm, "{$run} has a trap");
            $is = static fn (array $rules): bool => array_filter(
                $rules,
                static fn (string $rule): bool => self::isFound($rule, $run, $findings),
            ) !== [];
            $method = $vents->method($arm)?->value;
            $verdict = $method ?? ($is(self::ASKS) ? 'unknown' : 'not');
            self::assertContains($verdict, explode('|', $expected), "{$run}: ".implode(', ', $findings));
            // What the engine says is what the job is told.
            self::assertSame($verdict === 'not', $is(self::STOPS), "{$run}: ".implode(', ', $findings));
        }
    }

    private static function head(Network $network, string $run): LoadedFixture
    {
        foreach ($network->heads as $head) {
            if ($head->node->run === $run) {
                return $head;
            }
        }
        self::fail("no fixture on {$run}");
    }

    /** @param list<string> $findings */
    private static function isFound(string $rule, string $run, array $findings): bool
    {
        return in_array("{$rule}@{$run}", $findings, true);
    }
}
