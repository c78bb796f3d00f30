<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Mailroom;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use PHPUnit\Framework\Attributes\DataProvider;
use ZippyTray\Core\Arrival\Arrive;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\Owed\Owing;
use ZippyTray\Core\Post\AnswerKind;
use ZippyTray\Core\Post\Expected;
use ZippyTray\Core\Post\GoingOut;
use ZippyTray\Core\Post\KeepDrafts;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Post\Outgoings;
use ZippyTray\Core\Post\OutgoingState;
use ZippyTray\Core\Post\SendMail;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Decision\DoNow;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Account\MailWays;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\DataFolder;
use ZippyTray\Server\Mailroom\Deliver;
use ZippyTray\Server\Mailroom\Fetch;
use ZippyTray\Server\Mailroom\Out\BuildMessage;
use ZippyTray\Server\Mailroom\PostRoom\Correspondent;
use ZippyTray\Server\Mailroom\PostRoom\PostRoom;
use ZippyTray\Server\Mailroom\PostRoom\Reaction;
use ZippyTray\Server\Mailroom\PostRoom\Trouble;
use ZippyTray\Server\Mailroom\SignIn\FreshServer;
use ZippyTray\Server\Mailroom\Ways;
use ZippyTray\Server\Store\Attempts;
use ZippyTray\Server\Store\Files;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * What goes out goes out once, and what was handed over and has no answer is not sent again in silence.
 */
final class DeliverTest extends ApiTestCase
{
    private Account $account;

    private string $conversation;

    private PostRoom $postRoom;

    protected function setUp(): void
    {
        parent::setUp();
        $this->account = $this->signIn();
        $this->account->connect(MailWays::postRoom());
        $this->service(EntityManagerInterface::class)->flush();
        $this->postRoom = $this->postRoom();
        $this->conversation = $this->receive();
    }

    public function testAnAnswerGoesOutWithItsHeadersAndLiesInItsConversation(): void
    {
        $draft = $this->queue(new Letter(
            [new Address('tam@glass.example', 'Tam Achterberg')],
            [],
            [new Address('petra@ternpoint.example', 'Petra')],
            'Re: Lantern glass',
            'Die zweite, bitte. Größe: 3 m²',
            true,
        ));
        self::assertSame(1, ($this->deliver())(self::goingOn()));
        self::assertSame(OutgoingState::Sent, $this->state($draft));
        [$raw] = $this->sent();
        foreach ([
            'From: Wren Halloran <wren@ternpoint.example>',
            'To: Tam Achterberg <tam@glass.example>',
            'Subject: Re: Lantern glass',
            'Message-ID: <'.$draft->messageHeader.'>',
            'Content-Type: multipart/alternative',
        ] as $line) {
            self::assertStringContainsString($line, $raw);
        }
        self::assertMatchesRegularExpression('/^In-Reply-To: <[^>]+@glass\.example>\r$/m', $raw);
        self::assertMatchesRegularExpression('/^References: <[^>]+@glass\.example>\r$/m', $raw);
        self::assertStringNotContainsString('petra', $raw, 'What is blind stays so.');
        $messages = $this->service(Messages::class)->ofConversation($this->account->id, new ConversationId($this->conversation));
        self::assertSame([false, true], array_column($messages, 'own'));
        self::assertSame('Die zweite, bitte. Größe: 3 m²', trim($messages[1]->text));
        self::assertStringContainsString('Bcc: Petra <petra@ternpoint.example>', $this->service(Messages::class)->source($messages[1]));
        self::assertSame(0, ($this->deliver())(self::goingOn()));
    }

    /** @return iterable<string, array{string, bool, OutgoingState}> where it is stopped, whether the way out can tell, what is left */
    public static function stops(): iterable
    {
        foreach ([
            'before it is begun' => 'begin',
            'when it is begun, before that is kept' => 'begin kept',
            'before it is handed over' => 'submit',
            'while it is handed over, before it is taken' => 'taken',
            'when it is taken' => 'submitted',
            'before it is marked as sent' => 'finish',
            'when it is marked, before that is kept' => 'finish kept',
        ] as $name => $step) {
            yield $name => [$step, true, OutgoingState::Sent];
            $isBegun = !\in_array($step, ['begin', 'begin kept'], true);
            yield $name.', and nobody can tell' => [$step, false, $isBegun ? OutgoingState::Doubt : OutgoingState::Sent];
        }
    }

    #[DataProvider('stops')]
    public function testStoppedAnywhereNothingIsLostOrDoubled(string $step, bool $canTell, OutgoingState $left): void
    {
        $draft = $this->queue(new Letter([new Address('tam@glass.example')], subject: 'Re: Lantern glass', text: 'Yes.'));
        $this->postRoom->behave(new Trouble(forgetful: !$canTell));
        try {
            ($this->deliver($step))(self::goingOn());
            self::fail('It was not stopped.');
        } catch (Stopped) {
            $this->service(EntityManagerInterface::class)->clear();
        }
        for ($round = 0; $round < 3; ++$round) {
            ($this->deliver())(self::goingOn());
        }
        self::assertSame($left, $this->state($draft));
        $wasTaken = \in_array($step, ['submitted', 'finish', 'finish kept'], true);
        self::assertCount(OutgoingState::Sent === $left || $wasTaken ? 1 : 0, $this->sent());
        $messages = $this->service(Messages::class)->ofConversation($this->account->id, new ConversationId($this->conversation));
        self::assertCount(OutgoingState::Sent === $left ? 2 : 1, $messages);
        if (OutgoingState::Doubt === $left) {
            self::assertSame(['Lantern glass'], array_column($this->rows('/tray'), 'subject'), 'The person is asked.');
        }
    }

    public function testAProcessThatIsKilledLeavesNothingBehind(): void
    {
        for ($number = 0; $number < 12; ++$number) {
            $this->queue(
                new Letter([new Address('tam@glass.example')], subject: 'Note '.$number, text: 'Yes.'),
                new Moment($this->now()->modify('-1 minute'), $this->account->timeZone()),
                false,
            );
        }
        $command = [\PHP_BINARY, \dirname(__DIR__, 3).'/server/console.php', 'data:work', '--once'];
        for ($kill = 0; $kill < 8; ++$kill) {
            $process = proc_open(
                $command,
                [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']],
                $pipes,
                null,
                ['ZIPPY_DATA' => DataFolder::path()] + getenv(),
            );
            self::assertIsResource($process);
            usleep(150_000 + 60_000 * $kill);
            proc_terminate($process, \SIGKILL);
            proc_close($process);
        }
        for ($round = 0; $round < 3; ++$round) {
            ($this->deliver())(self::goingOn());
        }
        $subjects = array_map(
            static fn (string $raw): string => 1 === preg_match('/^Subject: (.*)\r$/m', $raw, $m) ? $m[1] : '',
            $this->sent(),
        );
        sort($subjects);
        self::assertCount(12, array_unique($subjects));
        self::assertCount(12, $subjects);
        self::assertSame(
            ['sent' => 12],
            $this->service(Connection::class)->fetchAllKeyValue('SELECT state, COUNT(*) FROM outgoing GROUP BY state'),
        );
    }

    public function testAClosedPostRoomIsTriedAgainAndARefusalIsNot(): void
    {
        $draft = $this->queue(new Letter([new Address('tam@glass.example')], subject: 'Re: Lantern glass', text: 'Yes.'));
        $this->postRoom->behave(new Trouble(down: true));
        ($this->deliver())(self::goingOn());
        self::assertSame(OutgoingState::Waiting, $this->state($draft));
        self::assertSame(0, ($this->deliver())(self::goingOn()), 'Not at once.');
        $this->service(ProgramClock::class)->moveForward(61);
        $this->postRoom->behave(new Trouble(refuses: 'Too large.'));
        self::assertSame(1, ($this->deliver())(self::goingOn()));
        self::assertSame([OutgoingState::Failed, 'Too large.'], [$this->state($draft), $this->outgoing($draft)->problem()]);
        self::assertSame(['Lantern glass'], array_column($this->rows('/tray'), 'subject'));
    }

    public function testAnUnansweredHandingOverIsAskedForOrDoubted(): void
    {
        foreach ([false, true] as $forgetful) {
            $draft = $this->queue(new Letter([new Address('tam@glass.example')], subject: 'Note', text: 'Yes.'), of: false);
            $this->postRoom->behave(new Trouble(silent: true, forgetful: $forgetful));
            ($this->deliver())(self::goingOn());
            self::assertSame($forgetful ? OutgoingState::Doubt : OutgoingState::Sent, $this->state($draft));
        }
        ($this->deliver())(self::goingOn());
        self::assertCount(2, $this->sent(), 'It is not sent again in silence.');
    }

    public function testANewMessageBeginsAConversationThatWaitsForItsAnswer(): void
    {
        $until = new Moment($this->now()->modify('+3 days'), $this->account->timeZone());
        $this->queue(
            new Letter([new Address('tam@glass.example', 'Tam')], subject: 'Putty', text: 'When?'),
            of: false,
            expected: new Expected('the putty', $until),
        );
        ($this->deliver())(self::goingOn());
        [$away] = $this->away();
        self::assertSame(['Putty', 'Tam'], [$away['subject'], $away['owedBy']]);
        [$owed] = $this->service(Owing::class)->openIn($this->account->id, new ConversationId(\is_string($away['id']) ? $away['id'] : ''));
        self::assertSame('the putty', $owed->what());

        self::assertSame(0, ($this->fetching())(self::goingOn()), 'The answer is under way.');
        $this->service(ProgramClock::class)->moveForward(3601);
        self::assertSame(1, ($this->fetching())(self::goingOn()));
        self::assertSame(0, ($this->fetching())(self::goingOn()));
        $back = array_column($this->rows('/tray'), 'back', 'subject')['it'] ?? null;
        self::assertIsArray($back);
        self::assertSame(['answer', 'Tam has answered.'], [$back['because'], $back['why']]);
    }

    public function testWhatWasRemovedForGoodDoesNotComeAgain(): void
    {
        $raw = "From: tam@glass.example\r\nTo: wren@ternpoint.example\r\nSubject: Once\r\nMessage-ID: <once@glass.example>\r\n\r\n"
            ."Here.\r\n";
        $this->postRoom->bring($raw, $this->now(), 'one', 'WREN@ternpoint.example');
        $this->postRoom->bring($raw, $this->now(), 'one', 'WREN@ternpoint.example');
        self::assertSame(1, ($this->fetching())(self::goingOn()));
        $ids = array_column($this->rows('/tray'), 'id', 'subject');
        self::assertIsString($ids['Once']);
        $this->decide('delete', [$ids['Once']]);
        $this->call('DELETE', '/bin?id='.self::id());
        $this->postRoom->bring($raw, $this->now(), 'another', 'wren@ternpoint.example');
        $this->postRoom->bring(str_replace('once@', 'other@', $raw), $this->now(), 'theirs', 'somebody.else@ternpoint.example');
        self::assertSame(0, ($this->fetching())(self::goingOn()));
        self::assertNotContains('Once', array_column($this->rows('/tray'), 'subject'));
    }

    public function testAForwardCarriesItsAttachmentsAndFiles(): void
    {
        $this->upload(
            ['plan.eml' => "From: tam@glass.example\r\nTo: wren@ternpoint.example\r\nSubject: Plan\r\n"
                ."Message-ID: <plan@glass.example>\r\nMIME-Version: 1.0\r\nContent-Type: multipart/mixed; boundary=b\r\n\r\n--b\r\n"
                ."Content-Type: text/plain\r\n\r\nHere.\r\n--b\r\nContent-Type: application/pdf; name=one.pdf\r\n"
                ."Content-Disposition: attachment; filename=one.pdf\r\n\r\nFirst\r\n--b\r\nContent-Type: application/pdf\r\n"
                ."Content-Disposition: attachment; filename=two.pdf\r\n\r\nSecond\r\n--b--\r\n"],
        );
        $message = $this->service(Messages::class)->at($this->account->id, '<plan@glass.example>');
        $file = $this->service(Files::class)->take($this->account->id, 'größe.txt', 'text/plain', 'Three');
        $draft = $this->service(KeepDrafts::class)->write(
            $this->account->id,
            new OutgoingId(self::id()),
            0,
            AnswerKind::Forward,
            $message->id,
            self::id().'@ternpoint.example',
            new Letter([new Address('petra@ternpoint.example')], subject: 'Fwd: Plan', text: 'See.', files: [$file['id']], carried: [1]),
        );
        ($this->service(SendMail::class))(
            $this->account->id,
            new EntryId(self::id()),
            $draft->id,
            new Moment($this->now(), $this->account->timeZone()),
            false,
        );
        ($this->deliver())(self::goingOn());
        self::assertSame(OutgoingState::Sent, $this->state($draft));
        $sent = $this->service(Messages::class)->at($this->account->id, '<'.$draft->messageHeader.'>');
        self::assertSame(['größe.txt', 'two.pdf'], array_column($sent->attachments, 'name'));
        self::assertSame([$message->messageHeader], $sent->references);
        self::assertStringNotContainsString('In-Reply-To', $this->sent()[0]);
    }

    /** @param bool $of whether it answers the message that is there */
    private function queue(Letter $letter, ?Moment $at = null, bool $of = true, ?Expected $expected = null): Outgoing
    {
        $message = $of ? $this->service(Messages::class)->newestIn($this->account->id, new ConversationId($this->conversation)) : null;
        $draft = $this->service(KeepDrafts::class)->write(
            $this->account->id,
            new OutgoingId(self::id()),
            0,
            $of ? AnswerKind::Reply : AnswerKind::New,
            $message,
            self::id().'@ternpoint.example',
            $letter,
        );
        ($this->service(SendMail::class))(
            $this->account->id,
            new EntryId(self::id()),
            $draft->id,
            $at ?? new Moment($this->now(), $this->account->timeZone()),
            false,
            $of ? new DoNow() : null,
            $of ? new Claim(new ConversationId($this->conversation)) : null,
            $expected,
        );

        return $draft;
    }

    /** @param string $stop at which step it is stopped; empty for nowhere */
    private function deliver(string $stop = ''): Deliver
    {
        $transaction = $this->service(Transaction::class);
        $stopping = '' === $stop ? $transaction : new StoppingTransaction($transaction, $stop);
        $way = '' === $stop ? $this->postRoom : new StoppingWay($this->postRoom, $stop);

        return new Deliver(
            $this->service(Outgoings::class),
            $this->service(GoingOut::class),
            $this->service(Accounts::class),
            new Ways($this->postRoom, $way, $this->service(FreshServer::class)),
            $this->service(BuildMessage::class),
            $this->service(Arrive::class),
            $stopping,
            $this->service(Connection::class),
            $this->service(EntityManagerInterface::class),
            $this->service(ProgramClock::class),
            $this->service(Attempts::class),
            new StoppingLogger(),
        );
    }

    private function fetching(): Fetch
    {
        return $this->service(Fetch::class);
    }

    private function postRoom(): PostRoom
    {
        (new \Symfony\Component\Filesystem\Filesystem())->remove(DataFolder::path().'/post-room');
        $tam = new class implements Correspondent {
            public function react(Address $recipient, Address $from, string $raw): ?array
            {
                preg_match('/^Message-ID: (<[^>]+>)/mi', $raw, $m);

                return $recipient->is('tam@glass.example')
                    ? [new Reaction(
                        3600,
                        "From: Tam <tam@glass.example>\r\nTo: wren@ternpoint.example\r\nSubject: Re: it\r\n"
                            .'Message-ID: <'.bin2hex(random_bytes(8))."@glass.example>\r\nIn-Reply-To: ".($m[1] ?? '')."\r\n\r\nIt is.\r\n",
                    )]
                    : null;
            }

            public function unasked(\DateTimeImmutable $since, \DateTimeImmutable $until): iterable
            {
                return [];
            }
        };

        return new PostRoom([$tam], $this->service(ProgramClock::class), $this->service(Accounts::class));
    }

    /** @return list<string> */
    private function sent(): array
    {
        return array_map(
            static fn (string $file): string => (string) file_get_contents($file),
            glob(DataFolder::path().'/post-room/sent/new/*') ?: [],
        );
    }

    private function outgoing(Outgoing $draft): Outgoing
    {
        $this->service(EntityManagerInterface::class)->clear();

        return $this->service(Outgoings::class)->get($this->account->id, $draft->id);
    }

    private function state(Outgoing $draft): OutgoingState
    {
        return $this->outgoing($draft)->outgoingState();
    }

    private function now(): \DateTimeImmutable
    {
        return $this->service(ProgramClock::class)->now();
    }

    private static function goingOn(): \Closure
    {
        return static fn (): bool => false;
    }
}
