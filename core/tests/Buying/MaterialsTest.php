<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Buying;

use FallBend\Core\Buying\Materials;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Layout\JobCompiler;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\TestCase;

final class MaterialsTest extends TestCase
{
    public function testEveryFittingPieceAndSocketIsCountedOnce(): void
    {
        $job = CaseJob::of('ipc-2021', ['main' => ['socket', 'north 60 fall 1/4 / right 50 fall 1/4 / left 45° 40 fall 1/4', 'socket', ['size' => '2']]]);
        $rows = self::rows($job);
        self::assertSame(['45' => 1, 'long-sweep 90' => 1], self::of($rows, 'fitting'));
        self::assertSame(1, array_sum(self::of($rows, 'pipe')), 'all of it comes from one stick');
        $cement = array_values(array_filter($rows, static fn (array $row): bool => str_contains($row['what'], 'cement')))[0];
        self::assertSame([1, '6 sockets'], [$cement['count'], $cement['note']], 'two at each bend, one at either end');
        self::assertArrayHasKey('fine-toothed saw and mitre box', self::of($rows, 'tool'));
        self::assertArrayNotHasKey('torque wrench for bands, 60 in-lb', self::of($rows, 'tool'));
        self::assertGreaterThan(3, array_sum(self::of($rows, 'hanger')));
    }

    public function testTenTimesTheJointsTakeMoreCans(): void
    {
        $legs = implode(' / ', array_map(static fn (int $i): string => ($i % 2 === 0 ? 'right' : 'left').' 30 fall 1/4', range(1, 90)));
        $cans = array_sum(self::of(array_filter(self::rows(CaseJob::of('ipc-2021', ['main' => ['socket', 'north 60 fall 1/4 / '.$legs, 'socket', ['size' => '3']]])), static fn (array $row): bool => str_contains($row['what'], 'cement')), 'consumable'));
        self::assertGreaterThan(3, $cans);
    }

    public function testIronWantsBandsAndTheirWrenchAndNoCement(): void
    {
        $rows = self::rows(CaseJob::of('ipc-2021', ['main' => ['socket', 'north 60 fall 1/4 / right 45° 50 fall 1/4', 'socket', ['size' => '3', 'system' => 'ci-no-hub']]]));
        self::assertArrayHasKey('torque wrench for bands, 60 in-lb', self::of($rows, 'tool'));
        self::assertSame([], array_filter(array_keys(self::of($rows, 'consumable')), static fn (string $what): bool => str_contains($what, 'cement')));
    }

    public function testTwinsAreToldApart(): void
    {
        $both = self::rows(CaseJob::of('ipc-2021', ['thick' => ['socket', 'north 60 fall 1/4', 'socket', ['size' => '4']], 'thin' => ['socket', 'north 60 fall 1/4', 'socket', ['size' => '4', 'system' => 'pvc-sewer-sdr35']]]));
        $notes = array_column(array_filter($both, static fn (array $row): bool => $row['shelf'] === 'pipe'), 'note');
        self::assertCount(2, array_filter($notes, static fn (string $note): bool => str_starts_with($note, 'not the 4 of')));
        $one = self::rows(CaseJob::of('ipc-2021', ['thick' => ['socket', 'north 60 fall 1/4', 'socket', ['size' => '4']]]));
        self::assertSame([''], array_column(array_filter($one, static fn (array $row): bool => $row['shelf'] === 'pipe'), 'note'));
    }

    public function testPricesAreAddedWhereTheCrewKeepsThem(): void
    {
        $file = new JobFile(Catalogue::shipped());
        $document = json_decode((string) json_encode($file->document(CaseJob::of('ipc-2021', ['main' => ['socket', 'north 150 fall 1/4 / right 150 fall 1/4', 'socket', ['size' => '2']]]))), true);
        $document['cutting'] = ['stock' => [['system' => 'pvc-dwv-40', 'size' => '2', 'length_mm' => 3048, 'price' => 11.5]]];
        $pipe = array_values(array_filter(self::rows($file->read($document)), static fn (array $row): bool => $row['shelf'] === 'pipe'))[0];
        self::assertGreaterThan(1, $pipe['count']);
        self::assertEqualsWithDelta(11.5 * $pipe['count'], $pipe['price'], 1e-9);
    }

    /** @return list<array<string, mixed>> */
    private static function rows(Job $job): array
    {
        $catalogue = $job->catalogue(Catalogue::shipped());
        $book = $job->book(Catalogue::shipped());

        return (new Materials((new JobCompiler($catalogue, $book, $job))->compile(), $job, $catalogue, $book))->rows();
    }

    /**
     * @param array<array-key, array<string, mixed>> $rows
     * @return array<string, int> counts by name
     */
    private static function of(array $rows, string $shelf): array
    {
        return array_column(array_filter($rows, static fn (array $row): bool => $row['shelf'] === $shelf), 'count', 'what');
    }
}
