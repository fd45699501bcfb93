<?php

declare(strict_types=1);

namespace App\Api;

use App\Models\OwnEntry;

/** The shapes of joints and of the catalogue, as JSON Schemas for the API description. */
final class JoiningShapes
{
    private const NUMBER = ['type' => 'number'];

    private const MAYBE = ['type' => ['number', 'null']];

    private const TEXT = ['type' => 'string'];

    private const MAYBE_TEXT = ['type' => ['string', 'null']];

    private const YES_NO = ['type' => 'boolean'];

    /** @return array<string, array<string, mixed>> by name */
    public static function all(): array
    {
        return self::card() + self::catalogue();
    }

    /** @return array<string, array<string, mixed>> */
    private static function card(): array
    {
        return [
            'JointEnd' => self::jointEnd(),
            'JointMethod' => self::jointMethod(),
            'JointRefused' => self::jointRefused(),
            'JointCard' => self::jointCard(),
        ];
    }

    /** @return array<string, array<string, mixed>> */
    private static function catalogue(): array
    {
        $number = Shapes::object([
            'field' => self::TEXT,
            'label' => self::TEXT,
            'value' => self::MAYBE,
            'said' => self::TEXT,
            'instead_of' => self::MAYBE_TEXT,
            'own_id' => ['type' => ['integer', 'null']],
        ]);
        $lie = Shapes::object([
            'place' => self::TEXT,
            'verdict' => ['enum' => ['yes', 'no', 'only', 'none']],
            'said' => self::TEXT,
        ]);

        return [
            'CataloguePage' => self::cataloguePage(),
            'SystemSummary' => self::systemSummary(),
            'CatalogueEntry' => Shapes::object([
                'table' => self::TEXT,
                'group' => self::TEXT,
                'row' => self::TEXT,
                'name' => self::TEXT,
                'maker_name' => self::TEXT,
                'also' => Shapes::list(self::TEXT),
                'size' => self::TEXT,
                'system' => self::MAYBE_TEXT,
                'material' => self::TEXT,
                'pattern' => self::MAYBE_TEXT,
                'turn_deg' => self::MAYBE,
                'family' => self::TEXT,
                'numbers' => Shapes::list($number),
                'lies' => Shapes::list($lie),
                'drawn' => ['type' => 'object', 'additionalProperties' => self::NUMBER],
                'facts' => Shapes::list(self::TEXT),
                'doubtful' => self::YES_NO,
                'own' => self::YES_NO,
                'note' => self::TEXT,
                'source' => Shapes::ref('Source'),
            ]),
            'OwnEntry' => self::ownEntry(),
        ];
    }

    /** @return array<string, mixed> */
    private static function jointEnd(): array
    {
        return Shapes::object([
            'system' => self::TEXT,
            'size' => self::TEXT,
            'kind' => self::TEXT,
            'name' => self::TEXT,
            'letters' => self::TEXT,
            'material' => self::TEXT,
            'od_mm' => self::NUMBER,
            'wall_mm' => self::NUMBER,
            'depth_mm' => self::NUMBER,
            'depth_known' => self::YES_NO,
            'measured' => self::YES_NO,
            'fixed' => self::YES_NO,
            'source' => Shapes::ref('Source'),
        ]);
    }

    /** @return array<string, mixed> */
    private static function jointRefused(): array
    {
        return Shapes::object([
            'method' => self::TEXT,
            'name' => self::TEXT,
            'reason' => self::TEXT,
            'why' => self::TEXT,
            'near' => self::YES_NO,
            'unknown' => self::YES_NO,
            'source' => Shapes::orNull(Shapes::ref('Source')),
        ]);
    }

    /** @return array<string, mixed> */
    private static function jointCard(): array
    {
        return [
            'type' => 'object',
            'required' => [
                'key',
                'number',
                'single',
                'name',
                'method',
                'method_name',
                'state',
                'piece',
                'a',
                'b',
                'ground',
                'access',
                'methods',
                'refused',
                'sources',
            ],
            'properties' => [
                'key' => self::TEXT,
                'id' => self::TEXT,
                'number' => ['type' => ['integer', 'null']],
                'single' => self::YES_NO,
                'name' => self::TEXT,
                'method' => self::MAYBE_TEXT,
                'method_name' => self::TEXT,
                'state' => ['enum' => ['own', 'chosen', 'best', 'refused', 'unknown', 'none']],
                'piece' => self::MAYBE_TEXT,
                'a' => Shapes::orNull(Shapes::ref('JointEnd')),
                'b' => Shapes::orNull(Shapes::ref('JointEnd')),
                'ground' => ['enum' => ['above', 'buried']],
                'access' => ['enum' => ['open', 'panel', 'concealed']],
                'methods' => Shapes::list(Shapes::ref('JointMethod')),
                'refused' => Shapes::list(Shapes::ref('JointRefused')),
                'sources' => Shapes::list(Shapes::ref('Source')),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function cataloguePage(): array
    {
        return Shapes::object([
            'entries' => Shapes::list(Shapes::ref('CatalogueEntry')),
            'systems' => Shapes::list(Shapes::ref('SystemSummary')),
            'rulebooks' => Shapes::list(
                Shapes::object([
                    'id' => self::TEXT,
                    'name' => self::TEXT,
                    'units' => ['enum' => ['inch', 'mm']],
                    'thresholds' => Shapes::list(
                        Shapes::object([
                            'id' => self::TEXT,
                            'title' => self::TEXT,
                            'value' => self::MAYBE,
                            'unit' => self::TEXT,
                            'note' => self::TEXT,
                            'source' => Shapes::ref('Source'),
                            'own_id' => ['type' => ['integer', 'null']],
                        ]),
                    ),
                ]),
            ),
        ]);
    }

    /** @return array<string, mixed> */
    private static function systemSummary(): array
    {
        return Shapes::object([
            'key' => self::TEXT,
            'name' => self::TEXT,
            'short' => self::TEXT,
            'region' => ['enum' => ['us', 'uk']],
            'material' => self::TEXT,
            'letters' => self::TEXT,
            'laid' => self::YES_NO,
            'drain' => self::YES_NO,
            'sizes' => Shapes::list(self::TEXT),
            'laid_sizes' => Shapes::list(self::TEXT),
            'ends' => Shapes::list(self::TEXT),
        ]);
    }

    /** @return array<string, mixed> */
    private static function ownEntry(): array
    {
        return Shapes::object([
            'id' => ['type' => 'integer'],
            'kind' => ['enum' => OwnEntry::OF_CATALOGUE],
            'entry' => ['type' => 'object'],
            'by' => self::TEXT,
            'at' => self::TEXT,
            'unusable' => self::MAYBE_TEXT,
        ]);
    }

    /** @return array<string, mixed> */
    private static function part(): array
    {
        return Shapes::object([
            'table' => self::TEXT,
            'row' => self::TEXT,
            'name' => self::TEXT,
            'maker_name' => self::TEXT,
            'size' => self::TEXT,
            'doubtful' => self::YES_NO,
            'source' => Shapes::ref('Source'),
        ]);
    }

    /** @return array<string, mixed> */
    private static function step(): array
    {
        return Shapes::object([
            'id' => self::TEXT,
            'do' => self::TEXT,
            'say' => self::TEXT,
            'tools' => Shapes::list(self::TEXT),
            'caution' => self::MAYBE_TEXT,
        ]);
    }

    /** @return array<string, mixed> */
    private static function jointMethod(): array
    {
        return Shapes::object([
            'insert_a' => Shapes::orNull(Shapes::ref('Tape')),
            'insert_b' => Shapes::orNull(Shapes::ref('Tape')),
            'gap' => Shapes::orNull(Shapes::ref('Tape')),
            'changes' => Shapes::orNull(Shapes::object(['piece' => self::TEXT, 'cut' => Shapes::orNull(Shapes::ref('Tape'))])),
            'method' => self::TEXT,
            'name' => self::TEXT,
            'maker_name' => self::TEXT,
            'say' => self::TEXT,
            'family' => self::TEXT,
            'variant' => self::TEXT,
            'parts' => Shapes::list(self::part()),
            'instead' => Shapes::list(self::part()),
            'insert_a_mm' => self::MAYBE,
            'insert_b_mm' => self::MAYBE,
            'gap_mm' => self::MAYBE,
            'reach_mm' => self::MAYBE,
            'slide_room_mm' => self::MAYBE,
            'torque_nm' => self::MAYBE,
            'torque_in_lb' => self::MAYBE,
            'driver' => self::TEXT,
            'bands' => ['type' => 'integer'],
            'opens' => self::YES_NO,
            'price_class' => ['type' => 'integer'],
            'steps' => Shapes::list(self::step()),
            'times' => self::jointMethodTimes(),
            'cautions' => Shapes::list(self::TEXT),
            'findings' => Shapes::list(Shapes::ref('Finding')),
            'unknown' => Shapes::list(self::TEXT),
        ]);
    }

    /** @return array<string, mixed> */
    private static function jointMethodTimes(): array
    {
        return Shapes::object([
            'working_s' => self::MAYBE,
            'hold_s' => self::MAYBE,
            'set_min' => self::MAYBE,
            'cure_min' => self::MAYBE,
            'first_water' => ['enum' => ['at-once', 'after-cure', 'when-packed']],
        ]);
    }
}
