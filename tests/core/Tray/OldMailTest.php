<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Advice\MailKind;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Decision\Delete;
use ZippyTray\Core\Tray\Decision\Snooze;
use ZippyTray\Core\Tray\OldMail;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Tests\Core\World\World;

final class OldMailTest extends TestCase
{
    /** @return iterable<string, array{MailKind, list<string>, int, bool}> kind, labels, age in days, whether it goes */
    public static function mail(): iterable
    {
        yield 'a newsletter of so many days' => [MailKind::Newsletter, [], 14, true];
        yield 'a day younger' => [MailKind::Newsletter, [], 13, false];
        yield 'another kind' => [MailKind::Notice, [], 300, false];
        yield 'with the label' => [MailKind::Notice, ['Weather'], 3, true];
        yield 'with another label' => [MailKind::Notice, ['weather desk'], 3, false];
        yield 'either is enough' => [MailKind::Newsletter, ['weather'], 3, true];
    }

    /** @param list<string> $labels */
    #[DataProvider('mail')]
    public function testItGoesByKindOrLabelAndAge(MailKind $kind, array $labels, int $age, bool $goes): void
    {
        $rules = new OldMail([
            ['about' => 'kind', 'what' => 'newsletter', 'days' => 14],
            ['about' => 'label', 'what' => 'weather', 'days' => 3],
        ]);
        self::assertSame([$goes, 3], [$rules->goes($kind, $labels, $age), $rules->soonest()]);
        self::assertSame([false, null], [(new OldMail())->goes($kind, $labels, $age), (new OldMail())->soonest()]);
    }

    /** @return iterable<array{list<array{about: string, what: string, days: int}>}> */
    public static function nonsense(): iterable
    {
        $rule = static fn (string $about, string $what, int $days): array => ['about' => $about, 'what' => $what, 'days' => $days];
        yield [[$rule('moon', 'full', 3)]];
        yield [[$rule('label', ' ', 3)]];
        yield [[$rule('kind', 'love', 3)]];
        yield [[$rule('kind', 'personal', 3)]];
        yield [[$rule('kind', 'newsletter', 0)]];
        yield [[$rule('kind', 'newsletter', 366)]];
        yield [[$rule('label', 'Weather', 3), $rule('label', 'weather', 4)]];
        yield [array_map(static fn (int $number): array => $rule('label', 'l'.$number, 3), range(1, 21))];
    }

    /** @param list<array{about: string, what: string, days: int}> $rules */
    #[DataProvider('nonsense')]
    public function testNonsenseIsRefused(array $rules): void
    {
        $this->expectException(Refused::class);
        new OldMail($rules);
    }

    public function testWhatIsStillUndecidedIsArchivedInOneStep(): void
    {
        $world = new World();
        $mail = array_map(static fn (string $subject): Conversation => $world->conversation($subject), ['One', 'Two', 'Deleted', 'Back']);
        $world->decide(new Delete(), [$mail[2]]);
        $world->decide(new Snooze(new Moment($world->clock->now()->modify('+1 minute'), World::zone())), [$mail[3]]);
        $world->clock->set('2026-11-24T11:00:00Z');
        $claims = array_map(static fn (Conversation $one): Claim => new Claim($one->id, $one->revision()), $mail);
        $changed = $world->conversation('Looked at before something happened to it');
        $claims[] = new Claim($changed->id, $changed->revision() - 1);
        $before = $world->state();
        $gone = ($world->archiveOld)(World::account(), new EntryId('old'), $claims);
        self::assertSame(2, $gone);
        self::assertSame(Place::Tray, $changed->placeAt($world->clock->now()));
        self::assertSame(
            [Place::Archive, Place::Archive, Place::Bin, Place::Tray],
            array_map(static fn (Conversation $one): Place => $one->placeAt($world->clock->now()), $mail),
        );
        $entry = $world->memory->entries['old'];
        self::assertSame(['One', 2, false], [$entry->about, $entry->things, $entry->kind->decides()]);
        $world->undo($entry);
        self::assertSame($before, $world->state());
        self::assertSame(0, ($world->archiveOld)(World::account(), new EntryId('none'), []));
        self::assertArrayNotHasKey('none', $world->memory->entries, 'A day on which nothing goes has no entry.');
    }
}
