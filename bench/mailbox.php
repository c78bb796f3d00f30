<?php

declare(strict_types=1);

/*
 * Connects a mailbox to an empty database and takes it in, as the worker does in its rounds. Arguments: the port of the mail server and
 * who signs in there; or a Maildir, from which the same is brought in without a server. ZIPPY_DATA is the folder.
 * Says seconds, milliseconds of the processor's time, bytes of memory, and messages, as JSON.
 */

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\DependencyInjection\ContainerInterface;
use ZippyTray\Bench\Mailbox;
use ZippyTray\Bench\Spent;
use ZippyTray\Core\InStep\Security;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Demo\MailServer as Dovecot;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Account\MailServer;
use ZippyTray\Server\Account\MailWays;
use ZippyTray\Server\Kernel;
use ZippyTray\Server\Mailroom\ImportMail;
use ZippyTray\Server\Mailroom\InStep\BoxSettings;
use ZippyTray\Server\Mailroom\InStep\BoxStates;
use ZippyTray\Server\Mailroom\InStep\KeepInStep;
use ZippyTray\Server\Mailroom\InStep\Older;
use ZippyTray\Server\Mailroom\InStep\ServerBoxes;
use ZippyTray\Server\Store\Schema;

require dirname(__DIR__).'/vendor/autoload.php';

$services = new class(new Kernel('bench', false)) {
    public function __construct(private Kernel $kernel)
    {
        $kernel->boot();
    }

    /**
     * @template T of object
     *
     * @param class-string<T> $of
     *
     * @return T
     */
    public function get(string $of): object
    {
        $all = $this->kernel->getContainer()->get('test.service_container');
        assert($all instanceof ContainerInterface);
        $found = $all->get($of);
        assert($found instanceof $of);

        return $found;
    }
};
$services->get(Schema::class)->bringUpToDate();
$account = $services->get(Accounts::class)->open(Mailbox::OWN, 'Wren Halloran', 'Europe/Dublin', 'a long enough password');
if (is_dir($argv[1])) {
    [$began, $spent] = [microtime(true), Spent::here()];
    $outcome = $services->get(ImportMail::class)($account, ['files' => $argv[1]], Place::Tray, advised: 0);
    echo json_encode([
        'seconds' => microtime(true) - $began,
        'cpu' => Spent::here() - $spent,
        'memory' => memory_get_peak_usage(),
        'messages' => $outcome->new,
    ], \JSON_THROW_ON_ERROR);

    return;
}
$account->addMailbox(MailWays::none())->keepInStepWith(
    new MailServer(['127.0.0.1', (int) $argv[1], Security::Plain], ['', 0, Security::Tls], $argv[2], Dovecot::PASSWORD),
    Mailbox::OWN,
);
$services->get(EntityManagerInterface::class)->flush();
$services->get(ServerBoxes::class)->begin($account, 0, new BoxSettings(since: '2019-06-01T00:00:00Z', older: Older::Waiting));
[$began, $spent] = [microtime(true), Spent::here()];
do {
    $services->get(KeepInStep::class)(static fn (): bool => false);
    $state = $services->get(BoxStates::class)->of($account)[0];
} while ($state['wanted'] > 0 && '' === $state['problem']);
echo json_encode([
    'seconds' => microtime(true) - $began,
    'cpu' => Spent::here() - $spent,
    'memory' => memory_get_peak_usage(),
    'messages' => $state['here'],
    'problem' => $state['problem'],
], \JSON_THROW_ON_ERROR);
