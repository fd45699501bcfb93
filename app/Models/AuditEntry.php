<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * One thing that was done, by somebody, to a crew or to their account.
 *
 * @property int $id
 * @property ?int $crew_id null: it is of the account of whoever did it
 * @property ?int $actor_id null: they have no account any more
 * @property string $actor what they were called then
 * @property string $act
 * @property array<string, string|int|null> $about
 * @property string $request the request in which it was done, as the log of the server names it
 * @property Carbon $created_at
 *
 * @phpstan-type WrittenAudit array{
 *     id: int,
 *     by: string,
 *     act: string,
 *     about: array<string, string>,
 *     at: string,
 * }
 */
final class AuditEntry extends Model
{
    public $timestamps = false;

    protected $fillable = ['crew_id', 'actor_id', 'actor', 'act', 'about', 'request', 'created_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['about' => 'array', 'created_at' => 'datetime'];
    }

    /** @return WrittenAudit */
    public function written(): array
    {
        return [
            'id' => $this->id,
            'by' => $this->actor,
            'act' => $this->act,
            'about' => array_map(static fn (string|int|null $value): string => (string) $value, $this->about),
            'at' => $this->created_at->toIso8601String(),
        ];
    }
}
