<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;

/** The tests that a book has for each stage. */
final readonly class TestMethods
{
    public function __construct(private Rulebook $book, private Catalogue $catalogue) {}

    /**
     * Gives the tests of a stage, the usual one first.
     *
     * @param array<array-key, float> $metres of pipe by size, for what may be topped up
     * @return list<TestMethod>
     */
    public function of(Stage $stage, array $metres): array
    {
        $methods = match ($stage) {
            Stage::RoughIn => [$this->water('rough-in'), $this->lowAir(Stage::RoughIn), $this->air()],
            Stage::Finished => [$this->lowAir(Stage::Finished), $this->smoke(), $this->peppermint(), $this->seen()],
            Stage::Buried => [$this->buried($metres), $this->buriedAir()],
        };

        return array_values(array_filter($methods));
    }

    private function water(string $stage): ?TestMethod
    {
        $head = $this->book->limit("test.{$stage}.head");
        $minutes = $this->book->limit("test.{$stage}.minutes");

        return $head === null
            ? null
            : $this->method(TestKind::Water, 'test.level-error', [$head, $minutes]);
    }

    private function air(): ?TestMethod
    {
        $pressure = $this->book->limit('test.air.pressure');
        $minutes = $this->book->limit('test.air.minutes');
        $rows = [$pressure, $minutes, $this->book->limit('test.air.plastic')];

        return $pressure === null
            ? null
            : $this->method(TestKind::Air, 'test.pressure-error', $rows);
    }

    /** A book that asks what stays in the traps meanwhile wants it of what is roughed in, too, with traps set. */
    private function lowAir(Stage $stage): ?TestMethod
    {
        $head = $this->book->limit('test.low-air.head');
        $seal = $this->book->limit('test.low-air.seal');
        $minutes = $this->book->limit('test.low-air.minutes');

        return $head === null || ($stage === Stage::RoughIn && $seal === null)
            ? null
            : $this->method(TestKind::LowAir, 'test.gauge-error', [$head, $minutes, $seal]);
    }

    private function smoke(): ?TestMethod
    {
        $head = $this->book->limit('test.smoke.head');
        $minutes = $this->book->limit('test.smoke.minutes');

        return $head === null
            ? null
            : $this->method(TestKind::Smoke, 'test.gauge-error', [$head, $minutes]);
    }

    private function peppermint(): ?TestMethod
    {
        $oil = $this->book->limit('test.peppermint.oil');

        return $oil === null
            ? null
            : new TestMethod(TestKind::Peppermint, null, 0.0, null, 0.0, 0.0, [$oil->provenance], applied: $oil->value);
    }

    private function seen(): TestMethod
    {
        return new TestMethod(TestKind::Seen, null, 0.0, null, 0.0, 0.0, []);
    }

    /** @param array<array-key, float> $metres by size */
    private function buried(array $metres): ?TestMethod
    {
        $losses = $this->book->topic('test.buried.loss');
        if ($losses === []) {
            return $this->water('buried');
        }
        $head = $this->book->limit('test.buried.head');
        $most = $this->book->limit('test.buried.head-most');
        $stand = $this->book->limit('test.buried.stand');
        $minutes = $this->book->limit('test.buried.minutes');
        $litres = 0.0;
        foreach ($metres as $size => $long) {
            // Of a size that the table does not name, nothing may be lost.
            $litres += $long * ($this->book->forSize('test.buried.loss', (string) $size)->value ?? 0.0);
        }

        return new TestMethod(
            TestKind::TopUp,
            $head?->value,
            $stand->value ?? 0.0,
            $minutes?->value,
            $litres,
            0.0,
            self::sources([$head, $most, $stand, $minutes, ...$losses]),
            mostMm: $most?->value,
        );
    }

    private function buriedAir(): ?TestMethod
    {
        $head = $this->book->limit('test.buried-air.head');
        if ($head === null) {
            return null;
        }
        $apply = $this->book->limit('test.buried-air.apply');
        $stand = $this->book->limit('test.buried-air.stand');
        $loss = $this->book->limit('test.buried-air.loss');
        $minutes = $this->book->limit('test.buried-air.minutes');
        $error = $this->catalogue->assumption('test.gauge-error');
        $warmth = $this->catalogue->assumption('test.warmth-error');

        return new TestMethod(
            TestKind::BuriedAir,
            $head->value,
            $stand->value ?? 0.0,
            $minutes?->value,
            $loss->value ?? 0.0,
            $error->value,
            [
                ...self::sources([$head, $apply, $stand, $loss, $minutes]),
                $error->provenance,
                $warmth->provenance,
            ],
            $apply?->value,
            warmthErrorC: $warmth->value,
        );
    }

    /**
     * @param string $error row of how well it is read
     * @param non-empty-list<?Threshold> $rows what is required, how long, and what else it rests on
     */
    private function method(TestKind $kind, string $error, array $rows): TestMethod
    {
        $read = $this->catalogue->assumption($error);
        $warmth = $this->catalogue->assumption('test.warmth-error');

        return new TestMethod(
            $kind,
            $rows[0]?->value,
            0.0,
            ($rows[1] ?? null)?->value,
            0.0,
            $read->value,
            [...self::sources($rows), $read->provenance, ...$kind->isGas() ? [$warmth->provenance] : []],
            warmthErrorC: $warmth->value,
        );
    }

    /**
     * @param list<?Threshold> $rows
     * @return list<Provenance>
     */
    private static function sources(array $rows): array
    {
        return array_map(
            static fn (Threshold $row): Provenance => $row->provenance,
            array_values(array_filter($rows)),
        );
    }
}
