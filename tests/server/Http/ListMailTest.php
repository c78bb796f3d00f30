<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use ZippyTray\Tests\Server\ApiTestCase;

/**
 * Conversations that belong to lists.
 */
final class ListMailTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn();
    }

    public function testTheyAreShownOnRowsFoundByListCountedAndUndone(): void
    {
        [$roof, $lantern] = [$this->list('Roof'), $this->list('Lantern')];
        [$slates, $glass] = [$this->receive('Slates'), $this->receive('Glass')];
        $this->decide('archive', [$glass]);
        $entry = $this->put([$slates, $glass], [$roof, $lantern]);
        self::assertSame(['put_into_list', 2, 'into Roof, into Lantern'], [$entry['kind'], $entry['count'], $entry['consequence']]);
        self::assertSame([['Lantern', 'Roof']], $this->words('/tray'), 'In the tray as before.');
        self::assertSame(['Glass', 'Slates'], $this->found($roof));
        self::assertSame(['Slates'], $this->found($roof, '&place=tray'));
        self::assertSame(['Slates'], $this->found($roof, '&words=slat'));
        self::assertSame([2, 2], array_column($this->rows('/lists'), 'conversations'));

        $out = $this->put([$slates], [], [$roof]);
        self::assertSame(['Glass'], $this->found($roof));
        $this->undo($out);
        $this->undo($entry);
        self::assertSame([[], [0, 0]], [$this->found($roof), array_column($this->rows('/lists'), 'conversations')]);
    }

    public function testADeletedListHoldsNothingAndHoldsItAgainWhenThatIsUndone(): void
    {
        $roof = $this->list('Roof');
        $slates = $this->receive('Slates');
        $this->put([$slates], [$roof]);
        $deleted = $this->call('DELETE', "/lists/{$roof}?entry=".self::id());
        self::assertSame([[]], $this->words('/tray'));
        $this->undo($deleted);
        self::assertSame([['Roof']], $this->words('/tray'));
    }

    public function testWhatComesIntoTheConversationStaysInTheListAndTheBooksBalance(): void
    {
        $roof = $this->list('Roof');
        $slates = $this->receive('Slates', id: 'one@glass.example');
        $this->put([$slates], [$roof]);
        $this->upload(['answer.eml' => "From: Tam <tam@glass.example>\r\nTo: wren@ternpoint.example\r\nSubject: Re: Slates\r\n"
            ."Date: Mon, 2 Nov 2026 09:00:00 +0000\r\nMessage-ID: <two@glass.example>\r\n"
            ."In-Reply-To: <one@glass.example>\r\n\r\nYes.\r\n"]);
        self::assertSame([['Roof']], $this->words('/tray'));
        self::assertSame(2, $this->rows('/tray')[0]['messages']);
        self::assertSame(0, $this->command('data:check', [])[0], $this->command('data:check', [])[1]);
    }

    public function testATaskMadeFromItIsProposedForTheList(): void
    {
        $this->list('Roof');
        $lantern = $this->list('Lantern');
        $mail = $this->receive('Slates', text: 'Please send me the plan by Friday.');
        $proposed = fn (): mixed => ((array) $this->call('GET', '/conversations/'.$mail)['proposal'])['list'];
        self::assertSame('', $proposed());
        $this->put([$mail], [$lantern]);
        self::assertSame('Lantern', $proposed());
        $this->call('PUT', '/lists/'.$lantern, [
            'entry' => self::id(), 'name' => 'Lantern', 'colour' => 'sea', 'archived' => true,
        ]);
        self::assertSame('', $proposed(), 'Not for one that is out of the way.');
    }

    public function testListsLieTwoLevelsDeepAndStandBehindTheOneThatTheyLieUnder(): void
    {
        $ids = [];
        foreach (['House', 'Roof', 'Slates', 'Shed'] as $name) {
            $ids[$name] = $this->list($name);
        }
        $place = fn (string $name, ?string $under, int $status = 200): array => $this->call(
            'PUT',
            "/lists/{$ids[$name]}/place",
            ['entry' => self::id(), 'behind' => null, 'parent' => null === $under ? null : $ids[$under]],
            $status,
        );
        $place('Slates', 'Roof');
        $place('Roof', 'House');
        self::assertSame(['House', 'Roof', 'Slates', 'Shed'], array_column($this->rows('/lists'), 'name'));
        $place('Shed', 'Slates', 422);
        $place('House', 'Shed', 422);
        $place('House', 'Slates', 422);
    }

    public function testAListHasANoteThatNoOtherWindowOverwrites(): void
    {
        $roof = $this->list('Roof');
        $write = fn (string $text, string $was, int $status = 200): array => $this->call(
            'PUT',
            "/lists/{$roof}/note",
            ['entry' => self::id(), 'note' => $text, 'was' => $was],
            $status,
        );
        self::assertSame('', $this->note($roof));
        $write(" Slates are **Welsh**.\r\nNo work in January. \n", '');
        self::assertSame("Slates are **Welsh**.\nNo work in January.", $this->note($roof));
        $problem = $write('Mine', '', 422);
        self::assertStringContainsString('another window', (string) json_encode($problem));
        $entry = $write('', $this->note($roof));
        self::assertSame(['', 'without note'], [$this->note($roof), $entry['consequence']]);
        $this->undo($entry);
        self::assertSame("Slates are **Welsh**.\nNo work in January.", $this->note($roof));
        $write(str_repeat('a', 50_001), $this->note($roof), 422);
        $this->signIn($this->account('ada@ternpoint.example', 'Ada'));
        $this->call('GET', "/lists/{$roof}/note", null, 404);
    }

    public function testNonsenseIsRefusedAndListsBelongToOnePerson(): void
    {
        $roof = $this->list('Roof');
        $slates = $this->receive('Slates');
        $this->put([$slates], [], [], 422);
        $this->put([$slates], [self::id()], [], 404);
        $this->put([self::id()], [$roof], [], 404);
        $this->signIn($this->account('ada@ternpoint.example', 'Ada'));
        $this->put([$slates], [$roof], [], 404);
        self::assertSame([], $this->found($roof));
    }

    /** @phpstan-impure */
    private function note(string $list): string
    {
        return self::text($this->call('GET', "/lists/{$list}/note")['note']);
    }

    private function list(string $name): string
    {
        $id = self::id();
        $this->call('POST', '/lists', ['entry' => self::id(), 'id' => $id, 'name' => $name, 'colour' => 'sea'], 201);

        return $id;
    }

    /**
     * @param list<string> $conversations
     * @param list<string> $into
     * @param list<string> $outOf
     *
     * @return array<mixed>
     */
    private function put(array $conversations, array $into, array $outOf = [], int $status = 200): array
    {
        $body = ['entry' => self::id(), 'conversations' => $conversations, 'into' => $into, 'outOf' => $outOf];

        return $this->call('POST', '/lists/mail', $body, $status);
    }

    /** @return list<mixed> subjects, by name */
    private function found(string $list, string $more = ''): array
    {
        $subjects = array_column((array) $this->call('GET', "/find?list={$list}{$more}")['rows'], 'subject');
        sort($subjects);

        return $subjects;
    }

    /** @return list<list<mixed>> the lists of each row */
    private function words(string $path): array
    {
        return array_map(static fn (array $row): array => array_column((array) $row['lists'], 'name'), $this->rows($path));
    }
}
