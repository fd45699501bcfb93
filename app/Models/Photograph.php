<?php

declare(strict_types=1);

namespace App\Models;

use App\Files\PictureStore;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;

/**
 * A picture that entries of the log of a job name by its hash.
 *
 * @property int $id
 * @property string $job_id
 * @property string $hash SHA-256 of what was sent, from which it was drawn anew
 * @property string $type
 * @property string $kept SHA-256 of what is kept
 * @property ?string $bytes null: they stand in the store
 * @property Carbon $created_at
 */
final class Photograph extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['job_id', 'hash', 'type', 'kept', 'bytes'];

    /** Its bytes, wherever they stand. */
    public function picture(): string
    {
        return $this->bytes ?? PictureStore::get($this->kept);
    }

    /** Gives the bytes of a picture of a job; null: there is none. */
    public static function bytesOf(string $job, string $hash): ?string
    {
        return self::query()->where(['job_id' => $job, 'hash' => $hash])->first()?->picture();
    }

    /** Gives a picture of a job as a browser shows it; none of another job is there. */
    public static function shown(string $job, string $hash): Response
    {
        $photograph = self::query()->where(['job_id' => $job, 'hash' => $hash])->firstOrFail();

        return new Response($photograph->picture(), 200, [
            'Content-Type' => $photograph->type,
            'X-Content-Type-Options' => 'nosniff',
            'Content-Security-Policy' => "default-src 'none'",
            'Cache-Control' => 'private, max-age=31536000, immutable',
        ]);
    }
}
