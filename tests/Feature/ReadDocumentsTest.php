<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Evaluations\ReadDocuments;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\Job as Plan;
use Illuminate\Support\Defer\DeferredCallbackCollection;
use Tests\TestCase;

/** Who types a leg sends the same document with every key press: it is read once. */
final class ReadDocumentsTest extends TestCase
{
    private int $remembered = 0;

    public function testADocumentIsReadOnceAndReadsTheSame(): void
    {
        $first = $this->read(self::demo());
        self::assertNotSame('', $first->name);
        self::assertEquals($first, $this->read(self::demo()));
        self::assertSame(1, $this->remembered, 'it was to be remembered once');
    }

    public function testWhatIsRememberedIsTakenForItsOwnDocumentOnly(): void
    {
        $this->read(self::demo());
        self::assertSame('Renamed', $this->read(['name' => 'Renamed'] + self::demo())->name);
        self::assertSame(2, $this->remembered);
    }

    public function testADocumentThatOnlyLooksTheSameIsRefusedAsBefore(): void
    {
        $document = self::demo();
        self::assertIsInt($document['version']);
        $this->read($document);
        $this->expectException(BadInput::class);
        // A version is a whole number; as a broken one it is written the same in a file.
        $this->read(['version' => (float) $document['version']] + $document);
    }

    public function testALargeDocumentIsReadAndNotKept(): void
    {
        $document = self::demo();
        /** @var list<array<string, mixed>> $runs */
        $runs = $document['runs'];
        for ($i = 0; $i < 400; $i++) {
            $runs[] = ['id' => "copy-{$i}", 'marks' => null] + $runs[0];
        }
        self::assertCount(count($runs), $this->read(['runs' => $runs] + $document)->runs);
        self::assertSame(0, $this->remembered);
    }

    /** @param array<array-key, mixed> $document */
    private function read(array $document): Plan
    {
        $plan = $this->app->make(ReadDocuments::class)->read($document);
        $later = $this->app->make(DeferredCallbackCollection::class);
        $this->remembered += count($later);
        $later->invoke();

        return $plan;
    }
}
