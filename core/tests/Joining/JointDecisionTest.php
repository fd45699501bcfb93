<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Joining;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\CatalogueAdditionFile;
use FallBend\Core\Catalog\RulebookOverrideFile;
use FallBend\Core\Input\Fields;
use FallBend\Core\Joining\Decision;
use FallBend\Core\Joining\EndKind;
use FallBend\Core\Joining\JointDecision;
use FallBend\Core\Joining\Method;
use FallBend\Core\Joining\Offer;
use FallBend\Core\Joining\PipeEnd;
use FallBend\Core\Joining\Place;
use FallBend\Core\Joining\Refusal;
use FallBend\Core\Tests\JointMatrix;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class JointDecisionTest extends TestCase
{
    /**
     * @return iterable<string, array{string, string, string, list<string>, array<string, string>}> a, b, place/book,
     *     offers best first, some refusals by method
     */
    public static function pairs(): iterable
    {
        yield 'PVC in its socket' => [
            'pvc-dwv-40/2/plain',
            'pvc-dwv-40/2/solvent-socket',
            'above open ipc-2021',
            ['solvent-pvc'],
            ['solvent-abs' => 'wrong-cement', 'no-hub-shielded' => 'ends'],
        ];
        yield 'two PVC pipes' => [
            'pvc-dwv-40/3/plain',
            'pvc-cellular-40/3/plain',
            'above open ipc-2021',
            ['solvent-pvc', 'shielded-transition'],
            ['flexible-unshielded' => 'above-ground', 'no-hub-shielded' => 'no-part'],
        ];
        yield 'a bushing bridges sizes' => [
            'pvc-dwv-40/1-1/2/plain',
            'pvc-dwv-40/2/solvent-socket',
            'above open ipc-2021',
            ['solvent-pvc'],
            [],
        ];
        yield 'a bushing does not go into a smaller socket' => [
            'pvc-dwv-40/2/plain',
            'pvc-dwv-40/1-1/2/solvent-socket',
            'above open ipc-2021',
            [],
            ['solvent-pvc' => 'diameter'],
        ];
        yield 'PVC to ABS, mechanical first' => [
            'pvc-dwv-40/3/plain',
            'abs-dwv-40/3/plain',
            'line ipc-2021',
            ['shielded-transition', 'flexible-unshielded', 'solvent-transition'],
            ['solvent-pvc' => 'wrong-cement'],
        ];
        yield 'transition cement in one place only' => [
            'pvc-dwv-40/3/plain',
            'abs-dwv-40/3/plain',
            'above open ipc-2021',
            ['shielded-transition'],
            ['solvent-transition' => 'transition-place'],
        ];
        yield 'transition cement never' => [
            'pvc-dwv-40/3/plain',
            'abs-dwv-40/3/plain',
            'line adh-2015',
            ['shielded-transition', 'flexible-unshielded'],
            ['solvent-transition' => 'transition-never'],
        ];
        yield 'iron no-hub' => [
            'ci-no-hub/4/plain',
            'ci-no-hub/4/plain',
            'above open upc-2021',
            ['no-hub-shielded', 'shielded-transition'],
            ['flexible-unshielded' => 'above-ground'],
        ];
        yield 'plastic on thinner iron' => [
            'abs-dwv-40/2/plain',
            'ci-hub-service/2/plain',
            'above open upc-2021',
            ['shielded-transition'],
            ['no-hub-shielded' => 'not-made-for', 'flexible-unshielded' => 'above-ground'],
        ];
        yield 'buried, a bushing brings thin up to thick' => [
            'pvc-dwv-40/4/plain',
            'pvc-sewer-sdr35/4/plain',
            'buried open ipc-2021',
            ['solvent-pvc', 'shielded-transition', 'flexible-unshielded'],
            [],
        ];
        yield 'into an iron hub' => [
            'pvc-dwv-40/2/plain',
            'ci-hub-service/2/hub',
            'above open ipc-2021',
            ['hub-adapter', 'hub-gasket', 'caulked'],
            [],
        ];
        yield 'no caulking behind a closed wall' => [
            'pvc-dwv-40/2/plain',
            'ci-hub-service/2/hub',
            'above concealed ipc-2021',
            ['hub-adapter', 'hub-gasket'],
            ['caulked' => 'no-room'],
        ];
        yield 'gasket of another class' => [
            'ci-hub-extra/4/spigot',
            'ci-hub-service/4/hub',
            'above open ipc-2021',
            ['caulked'],
            ['hub-gasket' => 'gasket-class'],
        ];
        yield 'lead on copper' => [
            'copper-dwv/2/plain',
            'ci-hub-service/2/hub',
            'above open ipc-2021',
            [],
            ['caulked' => 'molten-lead'],
        ];
        yield 'sewer pipe in its bell' => [
            'pvc-sewer-sdr35/6/spigot',
            'pvc-sewer-sdr35/6/bell',
            'buried open ipc-2021',
            ['bell-gasket'],
            [],
        ];
        yield 'a size that no table knows' => [
            'pvc-sewer-sdr35/10/spigot',
            'pvc-sewer-sdr35/10/bell',
            'buried open ipc-2021',
            ['bell-gasket'],
            ['solvent-pvc' => 'ends'],
        ];
        yield 'cut clay' => [
            'clay-c700/4/plain',
            'clay-c700/4/bell',
            'buried open ipc-2021',
            [],
            ['bell-gasket' => 'clay-cut'],
        ];
        yield 'clay to sewer plastic' => [
            'clay-c700/4/plain',
            'pvc-sewer-sdr35/4/plain',
            'buried open ipc-2021',
            ['flexible-unshielded'],
            [],
        ];
        yield 'plastic into steel' => [
            'pvc-dwv-40/1-1/2/plain',
            'steel-galvanised/1-1/2/female-thread',
            'above open ipc-2021',
            ['threaded'],
            [],
        ];
        yield 'a metal male splits a plastic female' => [
            'steel-galvanised/2/male-thread',
            'pvc-dwv-40/2/female-thread',
            'above open ipc-2021',
            [],
            ['threaded' => 'plastic-female'],
        ];
        yield 'plastic pipe on a metal male' => [
            'steel-galvanised/2/male-thread',
            'pvc-dwv-40/2/plain',
            'above open ipc-2021',
            [],
            ['threaded' => 'plastic-female'],
        ];
        yield 'no thread on sewer pipe' => [
            'pvc-sewer-sdr35/4/plain',
            'steel-galvanised/4/female-thread',
            'above open ipc-2021',
            [],
            ['threaded' => 'thin-wall-thread'],
        ];
        yield 'steel with a thread cut' => [
            'steel-galvanised/2/plain',
            'steel-galvanised/2/female-thread',
            'above open ipc-2021',
            ['threaded'],
            [],
        ];
        yield 'two males' => [
            'steel-galvanised/2/male-thread',
            'steel-galvanised/2/male-thread',
            'above open ipc-2021',
            [],
            ['threaded' => 'two-alike'],
        ];
        yield 'tube in a nut' => [
            'tubular-brass/1-1/2/plain',
            'pvc-dwv-40/1-1/2/slip-nut',
            'above panel ipc-2021',
            ['slip-joint'],
            [],
        ];
        yield 'small tube in a larger nut' => [
            'tubular-plastic/1-1/4/plain',
            'tubular-brass/1-1/2/slip-nut',
            'above open ipc-2021',
            ['slip-joint'],
            [],
        ];
        yield 'slip joint in a wall' => [
            'tubular-brass/1-1/2/plain',
            'pvc-dwv-40/1-1/2/slip-nut',
            'above concealed ipc-2021',
            [],
            ['slip-joint' => 'closed-in'],
        ];
        yield 'tube to pipe' => [
            'tubular-brass/1-1/4/plain',
            'abs-dwv-40/1-1/2/plain',
            'above open ipc-2021',
            ['slip-joint'],
            [],
        ];
        yield 'UK twins' => [
            'pp-push-fit/32/plain',
            'pvcu-solvent/32/plain',
            'above open adh-2015',
            ['universal-compression'],
            ['solvent-uk-waste' => 'does-not-dissolve'],
        ];
        yield 'UK twins in a socket' => [
            'pp-push-fit/32/plain',
            'pvcu-solvent/32/solvent-socket',
            'above open adh-2015',
            ['universal-compression'],
            ['solvent-uk-waste' => 'does-not-dissolve'],
        ];
        yield 'solvent pipe in a push-fit ring' => [
            'pvcu-solvent/40/plain',
            'pp-push-fit/40/ring-socket',
            'above open adh-2015',
            ['universal-compression'],
            ['push-fit' => 'ring-of-another'],
        ];
        yield 'universal coupling in the ground' => [
            'pp-push-fit/40/plain',
            'pvcu-solvent/40/plain',
            'buried open adh-2015',
            [],
            ['universal-compression' => 'closed-in'],
        ];
        yield 'UK ABS and PVC-U share a cement' => [
            'abs-solvent/40/plain',
            'pvcu-solvent/40/solvent-socket',
            'above open adh-2015',
            ['solvent-uk-waste'],
            [],
        ];
        yield 'soil pipe' => [
            'pvcu-underground/110/spigot',
            'pvcu-soil/110/ring-socket',
            'above open adh-2015',
            ['push-fit'],
            [],
        ];
        yield 'UK clay to plastic' => [
            'pvcu-underground/110/plain',
            'clay-en295/100/plain',
            'buried open adh-2015',
            ['flexible-unshielded'],
            ['shielded-transition' => 'not-made-for'],
        ];
        yield 'water tube' => [
            'cpvc-cts/1-1/2/plain',
            'copper-dwv/1-1/2/hub',
            'above open ipc-2021',
            [],
            ['solvent-pvc' => 'no-drain', 'soldered-drainage' => 'no-drain'],
        ];
        yield 'copper' => ['copper-dwv/2/plain', 'copper-dwv/2/hub', 'above open ipc-2021', ['soldered-drainage'], []];
        yield 'flanges' => ['pvc-dwv-40/3/flange', 'pvc-dwv-40/3/flange', 'above open ipc-2021', ['flange-seal'], []];
        yield 'acid waste' => [
            'pp-acid-waste/2/grooved',
            'pp-acid-waste/2/plain',
            'above open ipc-2021',
            ['grooved-mechanical'],
            [],
        ];
    }

    /**
     * @param list<string> $offers
     * @param array<string, string> $refusals
     */
    #[DataProvider('pairs')]
    public function testDecides(string $a, string $b, string $where, array $offers, array $refusals): void
    {
        $decision = self::decide($a, $b, $where);
        self::assertSame(
            $offers,
            array_map(static fn (Offer $offer): string => $offer->method->value, $decision->offers),
        );
        foreach ($refusals as $method => $reason) {
            self::assertSame($reason, self::refusal($decision, $method)->reason, $method);
        }
    }

    /** The near twins: one name, another diameter; nothing that fits the one is offered for the other. */
    public function testNearTwinsAreNeverTakenForEachOther(): void
    {
        $twins = [
            ['tubular-brass', '1-1/4', 'pvc-dwv-40', '1-1/4'],
            ['ci-hub-service', '3', 'pvc-dwv-40', '3'],
            ['pvc-dwv-40', '4', 'pvc-sewer-sdr35', '4'],
            ['pvc-dwv-40', '4', 'ci-hub-service', '4'],
            ['pvc-sewer-sdr35', '4', 'ci-no-hub', '4'],
            ['pp-push-fit', '32', 'pvcu-solvent', '32'],
            ['pp-push-fit', '40', 'abs-solvent', '40'],
            ['pvc-sewer-thin', '3', 'pvc-dwv-40', '3'],
            ['ci-no-hub', '2', 'pvc-dwv-40', '2'],
        ];
        foreach ($twins as [$a, $sizeA, $b, $sizeB]) {
            foreach ([[$a, $sizeA, $b, $sizeB], [$b, $sizeB, $a, $sizeA]] as [$pipe, $size, $socket, $other]) {
                foreach (['solvent-socket', 'ring-socket', 'bell'] as $kind) {
                    $decision = self::decide(
                        "{$pipe}/{$size}/plain",
                        "{$socket}/{$other}/{$kind}",
                        'above open upc-2021',
                    );
                    foreach ($decision->offers as $offer) {
                        self::assertMatchesRegularExpression(
                            '/bushing|stub|adapter/',
                            $offer->variant,
                            "{$pipe} {$size} in the {$kind} of {$socket}",
                        );
                    }
                }
            }
            self::assertNull(
                self::decide("{$a}/{$sizeA}/plain", "{$b}/{$sizeB}/plain", 'above open upc-2021')->offer(
                    Method::NoHubShielded,
                ),
                "{$a} {$b}",
            );
        }
    }

    public function testLengthsOfTheMethods(): void
    {
        $socket = self::offer(
            self::decide('pvc-dwv-40/2/plain', 'pvc-dwv-40/2/solvent-socket', 'above open ipc-2021'),
            Method::SolventPvc,
        );
        self::assertEqualsWithDelta(19.05, $socket->reachMm(), 1e-9, 'to the stop');
        $band = self::offer(
            self::decide('ci-no-hub/2/plain', 'ci-no-hub/2/plain', 'above open ipc-2021'),
            Method::NoHubShielded,
        );
        self::assertEqualsWithDelta(25.4, $band->insertAMm, 1e-9, 'half of 2 1/8 less half the stop');
        self::assertEqualsWithDelta(-3.175, $band->reachMm(), 1e-9, 'the stop keeps the ends apart');
        $gasket = self::offer(
            self::decide('ci-hub-service/3/hub', 'pvc-dwv-40/3/plain', 'above open ipc-2021'),
            Method::HubGasket,
        );
        self::assertEqualsWithDelta(69.85, $gasket->insertBMm, 1e-9, 'the pipe is end b here');
        self::assertSame(0.0, $gasket->insertAMm);
        $ring = self::offer(
            self::decide('pvcu-soil/110/plain', 'pvcu-soil/110/ring-socket', 'above open adh-2015'),
            Method::PushFit,
        );
        self::assertSame(10.0, $ring->gapMm);
        self::assertNull($ring->reachMm(), 'the depth of the socket is not stated');
        $bushing = self::offer(
            self::decide('pvc-dwv-40/1-1/2/plain', 'pvc-dwv-40/2/solvent-socket', 'above open ipc-2021'),
            Method::SolventPvc,
        );
        self::assertEqualsWithDelta(
            19.05 - 3.175,
            $bushing->reachMm(),
            1e-9,
            'the stop of the bushing stands off that of the socket',
        );
    }

    public function testWhatIsFixedOnBothSidesIsClosedBySleevesOnly(): void
    {
        $catalogue = Catalogue::shipped();
        $end = static fn (string $kind): PipeEnd => PipeEnd::of(
            $catalogue->system('pvc-dwv-40'),
            '2',
            EndKind::from($kind),
            null,
            true,
        );
        $decision = (new JointDecision($catalogue))->between(
            $end('plain'),
            $end('solvent-socket'),
            new Place,
            $catalogue->rulebook('ipc-2021'),
        );
        self::assertSame('nothing-moves', self::refusal($decision, 'solvent-pvc')->reason);
        $decision = (new JointDecision($catalogue))->between(
            $end('plain'),
            $end('plain'),
            new Place,
            $catalogue->rulebook('ipc-2021'),
        );
        self::assertSame(
            'shielded-transition',
            $decision->offers[0]->method->value,
            'before a coupling that must slide over wet cement',
        );
        self::assertSame('slip-coupling', $decision->offer(Method::SolventPvc)?->variant);
    }

    public function testAMeasuredDiameterDecidesAndNotTheName(): void
    {
        $catalogue = Catalogue::shipped();
        $thin = PipeEnd::of($catalogue->system('ci-hub-service'), '4', EndKind::Plain, 107.0);
        $thick = PipeEnd::of($catalogue->system('ci-hub-service'), '4', EndKind::Plain, 111.0);
        $noHub = PipeEnd::of($catalogue->system('ci-no-hub'), '4', EndKind::Plain);
        $decide = static fn (PipeEnd $end): Decision => (new JointDecision($catalogue))->between(
            $end,
            $noHub,
            new Place,
            $catalogue->rulebook('ipc-2021'),
        );
        self::assertSame('range', self::refusal($decide($thin), 'no-hub-shielded')->reason);
        self::assertNotNull($decide($thick)->offer(Method::NoHubShielded));
    }

    public function testALocalRuleLetsARubberSleeveAboveGround(): void
    {
        $catalogue = Catalogue::shipped();
        $override = RulebookOverrideFile::read(
            Fields::of(['rulebook' => 'ipc-2021', 'threshold' => 'joint.flexible.above', 'value' => 1]),
            $catalogue,
        );
        $pipe = PipeEnd::of($catalogue->system('pvc-dwv-40'), '2', EndKind::Plain);
        $decision = (new JointDecision($catalogue))->between(
            $pipe,
            $pipe,
            new Place,
            $catalogue->rulebook('ipc-2021')->with([$override]),
        );
        self::assertNotNull($decision->offer(Method::FlexibleUnshielded));
    }

    public function testACouplingOfOnesOwnIsOfferedWithinItsPrintedRange(): void
    {
        $catalogue = Catalogue::shipped();
        $addition = CatalogueAdditionFile::read(
            Fields::of([
                'table' => 'couplings',
                'group' => 'rows',
                'row' => [
                    'id' => 'own/drain-clay',
                    'method' => 'flexible-unshielded',
                    'size' => '110',
                    'name' => 'drain to clay',
                    'maker_name' => 'as printed',
                    'sides' => [
                        [['system' => 'pvcu-underground', 'size' => '110']],
                        [['system' => 'clay-en295', 'size' => '100']],
                    ],
                    'low_b_mm' => 115,
                    'high_b_mm' => 125,
                    'stop_mm' => 4,
                    'length_mm' => 120,
                    'bands' => 2,
                    'grounds' => ['buried'],
                    'price_class' => 2,
                    'source' => 'print of the sleeve in hand',
                ],
            ]),
            $catalogue,
        );
        $mine = $catalogue->with([], [$addition]);
        $drain = PipeEnd::of($mine->system('pvcu-underground'), '110', EndKind::Plain);
        $decide = static fn (float $clay): Decision => (new JointDecision($mine))->between(
            $drain,
            PipeEnd::of($mine->system('clay-en295'), '100', EndKind::Plain, $clay),
            new Place('buried'),
            $mine->rulebook('adh-2015'),
        );
        self::assertSame(
            ['flexible-unshielded'],
            array_map(static fn (Offer $offer): string => $offer->method->value, $decide(118.0)->offers),
        );
        self::assertSame(-4.0, $decide(118.0)->offers[0]->reachMm());
        self::assertSame([], $decide(112.0)->offers);
        $shipped = self::decide('pvcu-underground/110/plain', 'clay-en295/100/plain', 'buried open adh-2015')->offers;
        self::assertSame('flexible-uk/100/clay-other', $shipped[0]->parts[0]->id, 'the catalogue itself stays');
    }

    /**
     * 5,000 cases by a seed out of the whole matrix, which bin/bench joints runs: both orders agree, couplings within
     * their ranges, cement on what it welds.
     */
    public function testSeededCasesOfTheMatrix(): void
    {
        $matrix = new JointMatrix;
        self::assertGreaterThan(300_000, $matrix->count());
        mt_srand(20261123);
        $faults = [];
        for ($i = 0; $i < 5000; $i++) {
            $pick = static fn (array $list): mixed => $list[mt_rand(0, count($list) - 1)];
            $fault = $matrix->fault(
                $pick($matrix->ends),
                $pick($matrix->ends),
                $pick($matrix->places),
                $pick($matrix->books),
            );
            if ($fault !== null) {
                $faults[] = $fault;
            }
        }
        self::assertSame([], $faults);
    }

    private static function decide(string $a, string $b, string $where): Decision
    {
        $catalogue = Catalogue::shipped();
        $words = explode(' ', $where);
        $place =
            $words[0] === 'line'
                ? new Place('buried', 'open', true)
                : Place::read(Fields::of(['ground' => $words[0], 'access' => $words[1]]));

        return (new JointDecision($catalogue))->between(
            self::end($a, $catalogue),
            self::end($b, $catalogue),
            $place,
            $catalogue->rulebook($words[count($words) - 1]),
        );
    }

    private static function end(string $said, Catalogue $catalogue): PipeEnd
    {
        $parts = explode('/', $said);
        $system = array_shift($parts);
        $kind = array_pop($parts);

        return PipeEnd::of($catalogue->system($system), implode('/', $parts), EndKind::from((string) $kind));
    }

    private static function offer(Decision $decision, Method $method): Offer
    {
        return $decision->offer($method) ?? self::fail("{$method->value} is not offered");
    }

    private static function refusal(Decision $decision, string $method): Refusal
    {
        foreach ($decision->refusals as $refusal) {
            if ($refusal->method->value === $method) {
                return $refusal;
            }
        }
        self::fail("{$method} is not refused");
    }
}
