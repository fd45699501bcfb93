<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something that happened on site. It is never changed: a correction is another entry. Times are text, ISO 8601 in UTC:
 * their hash is made of it.
 *
 * @property int $id
 * @property string $job_id
 * @property int $number from 1, in the order in which entries arrived
 * @property string $key made by the device, so that an entry arrives once
 * @property string $kind
 * @property string $content JSON
 * @property int $author_id
 * @property string $device what the device calls itself
 * @property string $made_at by the clock of the device
 * @property string $happened_at by the clock of the server
 * @property string $kept_at by the clock of the server
 * @property string $previous hash of the entry before; empty of the first
 * @property string $hash
 * @property-read User $author
 */
final class LogEntry extends Model
{
    public $timestamps = false;

    /** Nothing is filled from outside; a list would cost a look at the columns of the table with every request. */
    protected $guarded = [];

    /** What its hash is made of: everything of it, and the hash of the entry before. */
    private const HASHED = [
        'job_id',
        'number',
        'key',
        'kind',
        'content',
        'author_id',
        'device',
        'made_at',
        'happened_at',
        'kept_at',
        'previous',
    ];

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** Gives the hash of what stands in it. */
    public function reckonedHash(): string
    {
        $values = array_map(fn (string $field): string => self::text($this->getAttribute($field)), self::HASHED);

        return hash('sha256', json_encode($values, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE));
    }

    private static function text(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : '';
    }
}
