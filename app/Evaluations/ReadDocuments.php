<?php

declare(strict_types=1);

namespace App\Evaluations;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\Job as Plan;
use FallBend\Core\Job\JobFile;
use Illuminate\Contracts\Cache\Factory;
use Illuminate\Contracts\Cache\Repository;

use function Illuminate\Support\defer;

/**
 * Documents that were read lately. Who types a leg sends the same document with every key press, and it is read once.
 * It is a server's own memory and may be lost at any time: then a document is read again.
 */
final readonly class ReadDocuments
{
    /** What is larger than this in bytes is not kept: the memory is shared by all jobs. */
    private const LARGEST = 200_000;

    private const SECONDS = 600;

    private Repository $store;

    public function __construct(Factory $caches, private JobFile $file)
    {
        $this->store = $caches->store('evaluations');
    }

    /**
     * @param array<array-key, mixed> $document
     *
     * @throws BadInput where it is wrong
     */
    public function read(array $document): Plan
    {
        $text = serialize($document);
        if (strlen($text) > self::LARGEST) {
            return $this->file->read($document);
        }
        $version = config('app.version');
        $key = 'read-'.hash('sha256', serialize($version).$text);
        $known = $this->store->get($key);
        if ($known instanceof Plan) {
            return $known;
        }
        $plan = $this->file->read($document);
        defer(fn (): bool => $this->store->put($key, $plan, self::SECONDS));

        return $plan;
    }
}
