<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Job;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Job\KnownParts;
use FallBend\Core\Job\Run;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class KnownPartsTest extends TestCase
{
    /**
     * @return iterable<string, array{callable(array<string, mixed>): array<string, mixed>}> what is done to a document
     */
    public static function changes(): iterable
    {
        yield 'nothing' => [static fn (array $document): array => $document];
        yield 'a leg' => [
            static function (array $document): array {
                $document['runs'][3]['legs'][0]['length_mm'] = 777.0;

                return $document;
            },
        ];
        yield 'a pipe that stands there, which runs are joined to' => [
            static function (array $document): array {
                $document['standing'][0]['name'] = 'Another name';

                return $document;
            },
        ];
        yield 'a single joint' => [static fn (array $document): array => ['single_joints' => []] + $document];
        yield 'numbers of one\'s own' => [
            static fn (array $document): array => ['overrides' => ['catalogue' => [], 'rulebook' => [], 'rows' => []]] +
                $document,
        ];
        yield 'the order of the runs' => [
            static fn (array $document): array => ['runs' => array_reverse($document['runs'])] + $document,
        ];
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $change */
    #[DataProvider('changes')]
    public function testWhatIsWrittenBesideAnEarlierDocumentIsWhatIsWrittenAlone(callable $change): void
    {
        $file = new JobFile(Catalogue::shipped());
        $before = self::demo();
        $job = $file->read($change($before));
        self::assertSame((new JobFile(Catalogue::shipped()))->write($job), $file->write($job, $before));
    }

    public function testARunThatIsOtherIsRead(): void
    {
        $file = new JobFile(Catalogue::shipped());
        $before = self::demo();
        $job = $file->read($before);
        $run = $job->runs[0];
        $this->expectException(BadInput::class);
        $file->write($job->withRun($run->withLegs($run->legs, Run::LEGS_END + 1)), $before);
    }

    public function testARunThatStandsAsBeforeIsTaken(): void
    {
        $file = new JobFile(Catalogue::shipped());
        $before = self::demo();
        $job = $file->read($before);
        $document = $before;
        $document['runs'][0]['name'] = 'Another name';
        $read = $file->read($document, new KnownParts($before, $job));
        self::assertNotSame($job->runs[0], $read->runs[0]);
        self::assertSame($job->runs[1], $read->runs[1]);
        self::assertSame($job->singles, $read->singles);
        self::assertSame('Another name', $read->runs[0]->name);
        // Where a pipe stands otherwise, a run may be another though it is written the same.
        $document['standing'][0]['name'] = 'Another name';
        self::assertNotSame($job->runs[1], $file->read($document, new KnownParts($before, $job))->runs[1]);
    }

    /** @return array<string, mixed> as it is written */
    private static function demo(): array
    {
        $file = new JobFile(Catalogue::shipped());
        $text = (string) file_get_contents(__DIR__.'/../../../database/demo/mill-row-pottery.json');

        return JobFile::decoded($file->write($file->parse($text)));
    }
}
