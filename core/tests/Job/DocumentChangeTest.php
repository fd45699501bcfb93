<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Job;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Job\DocumentChange;
use FallBend\Core\Job\JobFile;
use PHPUnit\Framework\TestCase;

final class DocumentChangeTest extends TestCase
{
    public function testADocumentThatWasReadAsItWasSentIsNotOther(): void
    {
        $file = new JobFile(Catalogue::shipped());
        $text = (string) file_get_contents(__DIR__.'/../../../database/demo/mill-row-pottery.json');
        $document = $file->document($file->parse($text));
        // As a browser sends it: whole numbers without a point, ledgers as objects.
        $sent = (array) json_decode((string) json_encode($document), true);
        self::assertSame(['set' => [], 'gone' => [], 'runs' => []], DocumentChange::between($sent, $document));
    }

    public function testItSaysWhatIsOtherAndNoMore(): void
    {
        $before = [
            'name' => 'a',
            'place' => '',
            'hanging' => [],
            'runs' => [['id' => 'x', 'size' => '2'], ['id' => 'y', 'fall' => 20]],
        ];
        $after = [
            'name' => 'a',
            'place' => 'b',
            'units' => 'mm',
            'runs' => [['id' => 'x', 'size' => '3'], ['id' => 'y', 'fall' => 20.0], ['id' => 'z']],
        ];
        self::assertSame(
            [
                'set' => ['place' => 'b', 'units' => 'mm'],
                'gone' => ['hanging'],
                'runs' => [['id' => 'x', 'size' => '3'], ['id' => 'z']],
            ],
            DocumentChange::between($before, $after),
        );
    }

    public function testWhatOnlyLooksAlikeIsOther(): void
    {
        foreach (
            [['2', 2], [null, ''], [0, false], [[], null], [[1, 2], [2, 1]], [['a' => null], []], [1.0, 1.0000001]] as [$one, $other]
        ) {
            self::assertSame(
                ['f' => $other],
                DocumentChange::between(['f' => $one, 'runs' => []], ['f' => $other, 'runs' => []])['set'],
            );
        }
    }
}
