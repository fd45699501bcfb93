<?php

declare(strict_types=1);

namespace App\Files;

use FallBend\Core\Recording\JobRecord;

/**
 * The joints of a record as a table.
 *
 * @phpstan-import-type WrittenRecord from JobRecord
 */
final class RecordCsv
{
    /** @param WrittenRecord $record */
    public static function write(array $record): string
    {
        $rows = [];
        foreach ($record['runs'] as $run) {
            foreach ($run['joints'] as $joint) {
                $rows[] = [
                    $run['name'],
                    $joint['joint'],
                    $joint['name'],
                    $joint['size'],
                    $joint['planned'],
                    $joint['method'],
                    $joint['part'],
                    $joint['dry_at'],
                    $joint['made_at'],
                    $joint['by'],
                    $joint['air_c'],
                    $joint['rh_percent'],
                    $joint['torque_nm'],
                    self::said($joint['depth']),
                    self::said($joint['angle']),
                    self::said($joint['bead']),
                    $joint['trouble']['what'] ?? '',
                    count($joint['cut_out']),
                    self::said($joint['dry']),
                    $joint['dry_by'],
                    $joint['located'],
                    $joint['note'],
                ];
            }
        }

        return Csv::write(
            [
                'run',
                'joint',
                'name',
                'size',
                'planned',
                'made as',
                'part or cement',
                'tried dry at',
                'made at',
                'by',
                'air (°C)',
                'humidity (%)',
                'torque (N·m)',
                'depth mark',
                'angle mark',
                'bead',
                'wrong',
                'times cut out',
                'dry under test',
                'looked at by',
                'where it lies',
                'note',
            ],
            $rows,
        );
    }

    private static function said(?bool $seen): string
    {
        return $seen === null ? '' : ($seen ? 'yes' : 'no');
    }
}
