<?php

declare(strict_types=1);

namespace App\Api;

use App\Http\Controllers\CatalogueController;
use App\Http\Controllers\CrewController;
use App\Http\Controllers\EntranceController;
use App\Http\Controllers\EvaluationController;
use App\Http\Controllers\PhotographController;
use App\Http\Controllers\SecondFactorController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\ShareController;
use App\Http\Problems;
use App\Log\JobLog;
use App\Models\AuditEntry;
use App\Models\Invitation;
use App\Models\Share;
use App\Operations\StatusReport;
use App\People\Sessions;
use FallBend\Core\Buying\Hours;
use FallBend\Core\Buying\Materials;
use FallBend\Core\Catalog\Browse;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Cutting\JobCutting;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Guide\Coverage;
use FallBend\Core\Hanging\RunHanging;
use FallBend\Core\Job\LegFile;
use FallBend\Core\Joining\InstructionCard;
use FallBend\Core\MakeUp\RunClosing;
use FallBend\Core\MakeUp\RunMakeUp;
use FallBend\Core\MakeUp\RunOrder;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Recording\AsBuilt;
use FallBend\Core\Recording\JobRecord;
use FallBend\Core\Recording\RecordedJoints;
use FallBend\Core\Recording\RecordedRuns;
use FallBend\Core\Report\BoardSummary;
use FallBend\Core\Report\BooksCompared;
use FallBend\Core\Report\BuildingQuestions;
use FallBend\Core\Report\Choices;
use FallBend\Core\Report\DayReport;
use FallBend\Core\Report\EvaluationReport;
use FallBend\Core\Report\HeadReport;
use FallBend\Core\Report\JointCard;
use FallBend\Core\Report\NetworkReport;
use FallBend\Core\Report\RunReport;
use FallBend\Core\Sequence\Repairs;
use FallBend\Core\Sequence\SingleJoints;
use FallBend\Core\Sequence\Troubles;
use FallBend\Core\Starts\HowTo;
use FallBend\Core\Starts\Start;
use FallBend\Core\Starts\StartAnswer;
use FallBend\Core\Starts\StartField;
use FallBend\Core\Testing\JobTesting;
use FallBend\Core\Testing\SystemTests;
use FallBend\Core\Testing\TestJoint;
use FallBend\Core\Testing\TestPlan;
use FallBend\Core\Verdict\FindingReport;

/** The shapes of answers, each as the class that writes it documents it; the analyser holds the class to that. */
final class Answers
{
    /** The name of a shape, the class that writes it, and what it is called there. */
    public const DOCUMENTED = [
        'Tape' => [Tape::class, 'Reading'],
        'Point' => [Vec3::class, 'Point'],
        'Source' => [Provenance::class, 'Source'],
        'Finding' => [FindingReport::class, 'SaidFinding'],
        'Phrase' => [EvaluationReport::class, 'SaidPhrase'],
        'Evaluation' => [EvaluationReport::class, 'Evaluation'],
        'StandingReport' => [HeadReport::class, 'StandingReport'],
        'BuildingQuestion' => [BuildingQuestions::class, 'BuildingQuestion'],
        'RunReport' => [RunReport::class, 'WrittenRun'],
        'StandingEnd' => [RunReport::class, 'StandingEnd'],
        'LegReport' => [RunReport::class, 'LegReport'],
        'PieceReport' => [RunReport::class, 'PieceReport'],
        'JointReport' => [RunReport::class, 'JointReport'],
        'FittingReport' => [RunReport::class, 'FittingReport'],
        'JointEnd' => [JointCard::class, 'JointEnd'],
        'JointCard' => [JointCard::class, 'WrittenCard'],
        'JointMethod' => [JointCard::class, 'JointMethod'],
        'JointRefused' => [InstructionCard::class, 'JointRefused'],
        'SystemSummary' => [Browse::class, 'SystemSummary'],
        'CatalogueEntry' => [Browse::class, 'CatalogueEntry'],
        'NetworkReport' => [NetworkReport::class, 'WrittenNetwork'],
        'RunPlace' => [NetworkReport::class, 'RunPlace'],
        'FixtureReport' => [NetworkReport::class, 'FixtureReport'],
        'ArmReport' => [NetworkReport::class, 'ArmReport'],
        'PipeReport' => [NetworkReport::class, 'PipeReport'],
        'CrossingReport' => [NetworkReport::class, 'CrossingReport'],
        'MadeUp' => [RunMakeUp::class, 'MadeUp'],
        'MadeUpWay' => [RunMakeUp::class, 'MadeUpWay'],
        'RunOrder' => [RunOrder::class, 'WrittenOrder'],
        'RunDay' => [DayReport::class, 'WrittenDayReport'],
        'WrongJoint' => [Troubles::class, 'WrongJoint'],
        'SiteSingle' => [SingleJoints::class, 'WrittenSingle'],
        'Repair' => [Repairs::class, 'Repair'],
        'JobRecord' => [JobRecord::class, 'WrittenRecord'],
        'RecordedRun' => [RecordedRuns::class, 'RecordedRun'],
        'AsBuilt' => [AsBuilt::class, 'WrittenAsBuilt'],
        'RecordedJoint' => [RecordedJoints::class, 'RecordedJoint'],
        'RecordedTest' => [JobRecord::class, 'RecordedTest'],
        'Share' => [Share::class, 'WrittenShare'],
        'NewShare' => [ShareController::class, 'NewShare'],
        'SentPhotograph' => [PhotographController::class, 'SentPhotograph'],
        'RecordedPicture' => [RecordedJoints::class, 'RecordedPicture'],
        'SharedRecord' => [ShareController::class, 'SharedRecord'],
        'Testing' => [JobTesting::class, 'WrittenTesting'],
        'TestedSystem' => [JobTesting::class, 'WrittenSystem'],
        'TestMethod' => [JobTesting::class, 'WrittenMethod'],
        'TestCheck' => [JobTesting::class, 'WrittenCheck'],
        'TestOpening' => [TestPlan::class, 'WrittenOpening'],
        'TestFill' => [TestPlan::class, 'WrittenFill'],
        'SiteTest' => [SystemTests::class, 'WrittenTest'],
        'TestJoint' => [TestJoint::class, 'WrittenTestJoint'],
        'LogEntry' => [JobLog::class, 'WrittenEntry'],
        'RunClosing' => [RunClosing::class, 'WrittenClosing'],
        'HangingReport' => [RunHanging::class, 'HangingReport'],
        'CuttingReport' => [JobCutting::class, 'CuttingReport'],
        'MaterialRow' => [Materials::class, 'MaterialRow'],
        'HoursRow' => [Hours::class, 'HoursRow'],
        'BookDifference' => [BooksCompared::class, 'BookDifference'],
        'CoverageRow' => [Coverage::class, 'CoverageRow'],
        'JobSummary' => [BoardSummary::class, 'JobSummary'],
        'RunDrawing' => [BoardSummary::class, 'RunDrawing'],
        'Choices' => [Choices::class, 'WrittenChoices'],
        'Start' => [Start::class, 'WrittenStart'],
        'StartField' => [StartField::class, 'WrittenField'],
        'HowTo' => [HowTo::class, 'WrittenHowTo'],
        'HowToAnswer' => [HowTo::class, 'HowToAnswer'],
        'StartAnswer' => [StartAnswer::class, 'WrittenAnswer'],
        'Account' => [SessionController::class, 'Account'],
        'Entrance' => [EntranceController::class, 'Entrance'],
        'OpenInvitation' => [EntranceController::class, 'OpenInvitation'],
        'AuditEntry' => [AuditEntry::class, 'WrittenAudit'],
        'InstallationStatus' => [StatusReport::class, 'InstallationStatus'],
        'BegunSecondFactor' => [SecondFactorController::class, 'BegunSecondFactor'],
        'RecoveryCodes' => [SecondFactorController::class, 'RecoveryCodes'],
        'Invitation' => [Invitation::class, 'WrittenInvitation'],
        'CrewPeople' => [CrewController::class, 'CrewPeople'],
        'SignedInDevice' => [Sessions::class, 'SignedInDevice'],
        'Lengths' => [EvaluationController::class, 'Lengths'],
        'CataloguePage' => [CatalogueController::class, 'CataloguePage'],
        'Unreadable' => [Problems::class, 'Unreadable'],
    ];

    /** @return array<string, array<string, mixed>> schemas by the name of the shape */
    public static function all(): array
    {
        $leg = ['anyOf' => [Shapes::ref('JobLeg'), Shapes::ref('JobLegUnread')]];

        return (new DocumentedTypes(self::DOCUMENTED, [[LegFile::class, 'WrittenLeg', $leg]]))->schemas();
    }
}
