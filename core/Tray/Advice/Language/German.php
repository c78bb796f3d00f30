<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice\Language;

use ZippyTray\Core\Tray\Advice\RequestForm;

final readonly class German extends Tongue
{
    public function name(): string
    {
        return 'de';
    }

    public function words(): array
    {
        return [
            'der', 'die', 'das', 'und', 'ist', 'nicht', 'wir', 'sie', 'ich', 'mit', 'für', 'ein', 'eine', 'auf', 'den', 'dem', 'zu', 'es',
            'ihre', 'ihr', 'uns', 'noch', 'auch', 'bitte', 'sind', 'haben', 'wird', 'werden', 'von', 'bis', 'wenn', 'am', 'im', 'zum',
            'zur', 'dass', 'aus', 'bei', 'mir', 'sich', 'nach', 'kann', 'hat', 'du', 'oder', 'wie', 'schick', 'schicken', 'sag', 'sagen',
            'meldet', 'melden', 'denk', 'denken', 'vergiss', 'lassen', 'wissen', 'welche', 'wann', 'wer', 'was', 'wo', 'dir', 'dich',
            'mich', 'ihn', 'ihm', 'ihnen', 'euch', 'euer', 'sein', 'war', 'wäre', 'hätte', 'hatte', 'habe', 'hast', 'hab', 'mein', 'dein',
            'doch', 'mal', 'schon', 'nur', 'mehr', 'über', 'unter', 'durch', 'ohne', 'gegen', 'vor', 'gut', 'guten', 'liebe', 'lieber',
            'hallo', 'danke', 'gruß', 'grüße', 'viele', 'vielen', 'morgen', 'heute', 'um', 'würde', 'müssen', 'muss', 'soll', 'sollen',
            'können', 'könnten', 'gibt', 'geht', 'komm', 'kommen', 'kommst', 'wieder', 'jetzt', 'hier', 'da', 'alle', 'alles', 'einen',
            'einem', 'einer', 'des', 'als',
        ];
    }

    public function letters(): string
    {
        return '/[äöüß]/u';
    }

    public function forms(): array
    {
        return [
            [RequestForm::Order, '/
                (?:^|[,;:–—]\s*|\b(?:und|aber|dann|also|wenn\s.{3,60},)\s+)(?:
                    könnten\s+sie|könntest\s+du|könntet\s+ihr|können\s+sie|kannst\s+du|könnt\s+ihr|würden\s+sie
                    |würdest\s+du|würdet\s+ihr|magst\s+du|mögen\s+sie|dürfte\s+ich\s+sie\s+bitten,
                    |darf\s+ich\s+(?:sie|dich)\s+bitten,
                )\s+(?:(?:mir|uns|bitte|vielleicht|kurz|noch|auch|das|so\s+(?:nett|freundlich|lieb)\s+sein\s+und)\s+)*
                (?<do>\p{L}.*)
            /xu'],
            [RequestForm::Order, '/
                \b(?:ich|wir)\s+(?:bitte|bitten|ersuche|ersuchen|möchte|möchten)\s+(?:
                    (?:sie|dich|euch|herzlich|dringend|daher|nochmals|hiermit|darum|bitten)\s*[,]?\s*
                )*(?:um\s+)?(?<do>(?!(?:um\s+)?(?:verständnis|entschuldigung|geduld|nachsicht))\p{L}.*)
                (?<=\p{L}|[.!?])$
            /xu'],
            [RequestForm::Order, '/
                (?:^|[,;:(–—]\s*|\s)bitte[\s,]+(?:
                    (?:noch|kurz|mir|uns|auch|schnell|einmal|mal|doch|unbedingt|daran|umgehend|dringend)\s+
                )*(?<do>\p{L}.*)
            /xu'],
            [RequestForm::Order, '/
                ^(?<do>
                    (?:
                        schick|send|gib|geb|sag|meld|prüf|schau|ruf|lies|les|unterschreib|unterzeichn|bring|füll
                        |bestätig|überweis|antwort|komm|kümmer|trag|denk|denkt|vergiss|mach|leit|buch|bestell|hol|lass
                        |lasst|nimm|nehm|räum|stell|leg|trag|versuch|such|erledig|besorg|organisier|reservier|klär
                        |frag
                    )(?:e|t|et|en|st)?\s+(?:sie\s+)?(?:
                        mir|mich|es|uns|doch|dich|sich|euch|das|die|den|der|ihre?n?|deine?n?|dein|ihr|bis|an|mal|daran
                        |nicht|heraus|bitte|kurz|noch|einen?|alle
                    )\b.*
                )
            /xu'],
            [RequestForm::Need, '/\bum\s+(?<do>\p{L}[^.]{0,80}?)\s+(?:wird|ist)\s+(?:\p{L}+\s+)?gebeten\b/xu'],
            [RequestForm::Wish, '/
                \b(?:
                    (?:ich|wir)\s+(?:möchte|möchten|würde|würden|muss|müssen|will|wollen)\s+
                    (?:(?:gern|gerne|nur|noch|auch|bitte)\s+)*(?:wissen|erfahren|hören)
                    |(?:mich|uns)\s+(?:würde\s+)?interessier\p{L}+
                ),?\s+(?<do>(?:ob|wann|was|wer|wie|wo|welche\w*)\b.*)
            /xu'],
            [RequestForm::Wish, '/
                \b(?:ich|wir)\s+(?:würde|würden|möchte|möchten|hätte|hätten)\s+(?:(?:sehr\s+)?gerne?\s+)?(?<do>
                    [^.;]*\b(?:von\s+(?:ihnen|dir|euch)|ihre?n?|deine?n?)\b[^.;]*\b(?:
                        drucken|zeigen|verwenden|nutzen|haben|ausleihen|leihen|kaufen|bekommen|sehen|veröffentlichen
                    )\b.*
                )
            /xu'],
            [
                RequestForm::Need,
                '/(?<do>\b(?:du\s+bist|sie\s+sind|ihr\s+seid)\s+(?:jetzt\s+|nun\s+)?(?:dran|an\s+der\s+reihe|am\s+zug)\b.*)/xu',
            ],
            [RequestForm::Order, '/^(?<do>[^?]{3,140}\s)bitte[.!]*$/xu'],
            [RequestForm::Wish, '/
                \b(?:ich|wir|es)\s+(?:wäre|wären|würde|würden|fände|fänden)\s+(?:
                    (?:mich|uns|mir|ihnen|dir|euch|es|sehr|wirklich|auch|echt)\s+
                )*(?:dankbar|froh|schön|nett|hilfreich|gut|toll|super|freuen|prima|lieb|wichtig|begrüßen),?\s+wenn\s+
                (?<do>\p{L}.*)
            /xu'],
            [RequestForm::Need, '/
                \b(?:ich|wir)\s+(?:
                    brauche|brauchen|bräuchte|bräuchten|benötige|benötigen|erwarte|erwarten|warte|warten|vermisse
                    |vermissen
                )\s+(?:(?:noch|dringend|immer|von\s+(?:ihnen|dir|euch)|bis\s.{2,20}?|daher|also|auf|weiterhin)\s+)*(?<do>
                    (?:ihre?n?|deine?n?|eure?n?|die|den|das|eine?n?|dein|ihr)\b.*
                )
            /xu'],
            [RequestForm::Need, '/
                \b(?:brauche|brauchen|benötige|benötigen)\s+(?:ich|wir)\s+(?:(?:noch|dringend|bis\s.{2,20}?)\s+)*(?<do>
                    (?:ihre?n?|deine?n?|die|den|das|eine?n?|dein|ihr)\b.*
                )
            /xu'],
            [RequestForm::Need, '/\b(?:uns|mir)\s+(?:fehlt|fehlen)\s+(?:(?:noch|immer|leider|weiterhin)\s+)*(?<do>\p{L}.*)/xu'],
            [RequestForm::Need, '/
                (?<do>
                    \b(?:ihre?|deine?|eure?|unsere?|die|der|das)\s+\p{L}+\s+(?:[^,;!?]{1,40}?\s+)??
                    (?:fehlt|fehlen|steht|stehen|ist|sind)\s+(?:
                        (?:noch|immer|leider|weiterhin|jetzt|nun|seit\s.{3,20}?)\s+
                    )*(?:aus|offen|überfällig|ausstehend|unbezahlt|nicht\s+(?:da|eingegangen|bezahlt|angekommen)).*
                )
            /xu'],
            [RequestForm::Need, '/
                \b(?:haben|habe)\s+(?:wir|ich)?\s*(?:leider\s+)?(?:
                    noch\s+(?:immer\s+)?|immer\s+noch\s+|bisher\s+|bis\s+heute\s+
                )(?<do>
                    (?:nichts|keine?n?\s+(?:antwort|rückmeldung|reaktion|nachricht|unterlagen|bestätigung|\p{L}+)).*
                )
            /xu'],
            [RequestForm::Need, '/
                \b(?:sie|du|ihr)\s+(?:
                    müssen|musst|müsst|sollten|solltest|solltet|werden\s+gebeten
                    |sind\s+(?:aufgefordert|verpflichtet)
                    |mögen
                )\s+(?:(?:noch|bitte|dringend|nur|also)\s+)*(?<do>(?!nicht)\p{L}.*)
            /xu'],
            [RequestForm::Need, '/
                (?<do>
                    \b\p{L}+\s+(?:muss|müssen|sollte|sollten|ist|sind)\s+.*\b(?:bis|spätestens|vor)\b.*\b(?:
                        sein|werden|vorliegen|eingehen|einzureichen|abzugeben|einzusenden|zu\s+bezahlen|zurückzusenden
                        |zu\s+\p{L}+en
                    )\b.*
                )
            /xu'],
        ];
    }

    public function courtesy(): string
    {
        return '/
            ^(?:
                sehr|schön|zögern\s+sie|beachten\s+sie
                |haben\s+sie\s+(?:verständnis|keine)
                |entschuldig|verzeih
                |nicht\s+(?:auf\s+diese|antworten)
                |antworten\s+sie\s+nicht|besuchen\s+sie|klicken\s+sie|abmelden
                |melden\s+sie\s+sich\s+(?:gern|jederzeit|bei\s+fragen)
                |wenden\s+sie\s+sich\s+bei|grüß
                |um\s+(?:verständnis|geduld|nachsicht)
                |bedanken|danken
                |mich\s+(?:bedanken|herzlich)
                |ihnen\s+(?:mitteilen|danken)
                |sie\s+(?:darüber\s+)?(?:informieren|einladen$)
                |kommen\s+sie\s+gut|bleib
            )
        /xu';
    }

    public function unlikely(): string
    {
        return '/
            ^(?:bei|falls|wenn|sollte(?:n|st)?)\s+(?:(?:sie|du|noch|weitere\w*|etwaige\w*|dazu)\s+)*
            (?:fragen|rückfragen|unklarheiten|problemen?|interesse)\b
            |^für\s+(?:rück)?fragen\b
        /xu';
    }

    public function notNeeded(): string
    {
        return '/
            \bnicht\s+(?:mehr\s+)?(?:nötig|erforderlich|notwendig)
            |\b(?:brauch(?:st|t|en)|müsst|musst|müssen)\s+(?:(?:sie|du|ihr|das|es|mir|uns|dafür|bis\s.{2,20}?)\s+)*
            (?:nicht|nichts)\b
            |keine\s+(?:antwort|aktion|rückmeldung)\s+(?:nötig|erforderlich)
            |nichts\s+(?:zu\s+tun|weiter\s+zu)
        /xu';
    }

    public function rhetorical(): string
    {
        return '/
            ^(?:(?:na|und|also|so)[,]?\s+)*(?:
                wie\s+geht.*
                |alles\s+(?:gut|klar|ok).*
                |wer\s+hätte.*
                |was\s+(?:soll|will\s+man).*
                |warum\s+auch\s+nicht.*
                |(?:ist|war)\s+das\s+nicht.*
                |na\s+und.*|oder|nicht\s+wahr
            )\?
        /xu';
    }

    public function english(): array
    {
        return [
            // Two words of English are written with a plus between them.
            'montagvormittag' => 'monday+morning', 'montagmorgen' => 'monday+morning', 'montagmittag' => 'monday+noon',
            'montagnachmittag' => 'monday+afternoon', 'montagabend' => 'monday+evening', 'montagnacht' => 'monday+night',
            'dienstagvormittag' => 'tuesday+morning', 'dienstagmorgen' => 'tuesday+morning', 'dienstagmittag' => 'tuesday+noon',
            'dienstagnachmittag' => 'tuesday+afternoon', 'dienstagabend' => 'tuesday+evening', 'dienstagnacht' => 'tuesday+night',
            'mittwochvormittag' => 'wednesday+morning', 'mittwochmorgen' => 'wednesday+morning', 'mittwochmittag' => 'wednesday+noon',
            'mittwochnachmittag' => 'wednesday+afternoon', 'mittwochabend' => 'wednesday+evening', 'mittwochnacht' => 'wednesday+night',
            'donnerstagvormittag' => 'thursday+morning', 'donnerstagmorgen' => 'thursday+morning', 'donnerstagmittag' => 'thursday+noon',
            'donnerstagnachmittag' => 'thursday+afternoon', 'donnerstagabend' => 'thursday+evening',
            'donnerstagnacht' => 'thursday+night', 'freitagvormittag' => 'friday+morning', 'freitagmorgen' => 'friday+morning',
            'freitagmittag' => 'friday+noon', 'freitagnachmittag' => 'friday+afternoon', 'freitagabend' => 'friday+evening',
            'freitagnacht' => 'friday+night', 'samstagvormittag' => 'saturday+morning', 'samstagmorgen' => 'saturday+morning',
            'samstagmittag' => 'saturday+noon', 'samstagnachmittag' => 'saturday+afternoon', 'samstagabend' => 'saturday+evening',
            'samstagnacht' => 'saturday+night', 'sonntagvormittag' => 'sunday+morning', 'sonntagmorgen' => 'sunday+morning',
            'sonntagmittag' => 'sunday+noon', 'sonntagnachmittag' => 'sunday+afternoon', 'sonntagabend' => 'sunday+evening',
            'sonntagnacht' => 'sunday+night',
            'montag' => 'monday', 'dienstag' => 'tuesday', 'mittwoch' => 'wednesday', 'donnerstag' => 'thursday', 'freitag' => 'friday',
            'samstag' => 'saturday', 'sonnabend' => 'saturday', 'sonntag' => 'sunday',
            'januar' => 'january', 'jänner' => 'january', 'februar' => 'february', 'märz' => 'march', 'april' => 'april', 'mai' => 'may',
            'juni' => 'june', 'juli' => 'july', 'august' => 'august', 'september' => 'september', 'oktober' => 'october',
            'november' => 'november', 'dezember' => 'december', 'dez' => 'december', 'okt' => 'october',
            'zwischen' => 'between', 'und' => 'and', 'kommst' => 'come', 'bis heute' => 'so far', 'heute' => 'today',
            'morgen' => 'tomorrow', 'übermorgen' => 'overmorrow', 'gestern' => 'yesterday', 'nächste' => 'next', 'nächsten' => 'next',
            'nächster' => 'next', 'nächstes' => 'next', 'kommende' => 'coming', 'kommenden' => 'coming', 'diese' => 'this',
            'diesen' => 'this', 'dieser' => 'this', 'dieses' => 'this', 'diesem' => 'this', 'letzten' => 'last', 'letzte' => 'last',
            'woche' => 'week', 'wochen' => 'weeks', 'monat' => 'month', 'monats' => 'month', 'monaten' => 'months', 'jahr' => 'year',
            'jahres' => 'year', 'jahren' => 'years', 'tag' => 'day', 'tage' => 'days', 'tagen' => 'days', 'werktagen' => 'workdays',
            'arbeitstagen' => 'workdays', 'stunden' => 'hours', 'schönes wochenende' => 'good', 'erhalten' => 'receive',
            'wochenende' => 'weekend',
            'ende' => 'end', 'monatsende' => 'month+end', 'jahresende' => 'year+end', 'quartalsende' => 'quarter+end',
            'anfang' => 'start', 'mitte' => 'middle', 'uhr' => "o'clock", 'mittag' => 'noon', 'mittags' => 'noon',
            'mitternacht' => 'midnight', 'vormittag' => 'morning', 'vormittags' => 'morning', 'morgens' => 'morning',
            'nachmittags' => 'afternoon', 'abends' => 'evening', 'am morgen' => 'morning', 'hause' => 'home', 'früh' => 'morning',
            'nachmittag' => 'afternoon', 'abend' => 'evening', 'von' => 'of', 'innerhalb' => 'within', 'binnen' => 'within',
            'vor' => 'before', 'nach' => 'after',
            'um' => 'at', 'am' => 'on', 'an' => 'on', 'im' => 'in', 'dem' => 'the', 'den' => 'the', 'der' => 'the', 'des' => 'the',
            'die' => 'the', 'das' => 'the', 'zum' => 'the', 'zur' => 'the', 'gegen' => 'around',
            'ein' => 'one', 'eine' => 'one', 'einem' => 'one', 'einer' => 'one', 'zwei' => 'two', 'drei' => 'three', 'vier' => 'four',
            'fünf' => 'five', 'sechs' => 'six', 'sieben' => 'seven', 'acht' => 'eight', 'neun' => 'nine', 'zehn' => 'ten',
            'zwölf' => 'twelve', 'vierzehn' => 'fourteen',
            'bis' => 'by', 'spätestens' => 'at the latest by', 'frist' => 'deadline', 'fällig' => 'due', 'stichtag' => 'deadline',
            'seit' => 'since', 'ab' => 'from', 'vom' => 'from',
            'termin' => 'appointment', 'treffen' => 'meeting', 'sitzung' => 'meeting', 'besprechung' => 'meeting',
            'versammlung' => 'meeting', 'findet' => 'takes place', 'beginnt' => 'begins', 'besuch' => 'visit', 'konzert' => 'concert',
            'feier' => 'party', 'fest' => 'party', 'ausflug' => 'visit', 'abendessen' => 'dinner', 'führung' => 'tour',
            'mittagessen' => 'lunch', 'hochzeit' => 'wedding', 'geburtstag' => 'birthday', 'probe' => 'rehearsal', 'kurs' => 'course',
            'vortrag' => 'lecture', 'jubiläum' => 'party', 'lesung' => 'lecture', 'kaffee' => 'coffee', 'fällt' => 'is cancelled',
            'abgesagt' => 'cancelled', 'kommt' => 'comes', 'kommen' => 'come', 'lieferung' => 'delivery', 'wird' => 'will',
            'werden' => 'will', 'geschlossen' => 'is closed', 'waren' => 'were', 'wurden' => 'were', 'hatten' => 'had', 'war' => 'was',
            'wurde' => 'was', 'hatte' => 'had',
            // Meeting and being there
            'treffe' => 'meet', 'trefft' => 'meet', 'vorbeikommen' => 'come', 'dazukommen' => 'come', 'mitkommen' => 'come',
            'vorbeischauen' => 'visit', 'dabei' => 'join', 'teilnehmen' => 'attend', 'teilnimmst' => 'attend', 'besuchen' => 'visit',
            'begleiten' => 'join', 'mitfahren' => 'join', 'mitmachen' => 'join', 'zu hause' => 'home', 'zuhause' => 'home',
            'passt' => 'suits', 'frei' => 'free', 'zeit' => 'free', 'heiraten' => 'wedding',
        ];
    }

    public function verbs(): array
    {
        return [
            'unterschreib|unterzeichn|signier' => 'Sign',
            'bestätig' => 'Confirm',
            '(?:be|ein)zahl|zahlen\s+sie|zu\s+zahlen|überweis|begleich' => 'Pay',
            'prüf|überprüf|durchseh|durchlesen|kontrollier|anschau|ansehen|korrigier' => 'Check',
            'ausfüll|füll' => 'Fill in',
            'zurücksend|zurückschick|retour|zurückgeb' => 'Send back',
            'anruf|ruf|telefonier' => 'Call',
            'bring' => 'Bring',
            'buch|reservier' => 'Book',
            'bestell' => 'Order',
            'schreib|erstell|verfass|vorbereit' => 'Write',
            'send|schick|zusend|zuschick|übermittel|mail|einreich|abgeb' => 'Send',
            'sag|mitteil|melde|bescheid|antwort|rückmeld' => 'Tell',
            'komm|teilnehm' => 'Come',
        ];
    }

    public function moving(): array
    {
        return [
            'verb' => 'verschob|verschieb|verleg|vorverleg|geändert|verlänger|vorgezogen|umgelegt|vertagt|verrück',
            'from' => 'von|vom',
            'to' => 'auf|zum|nach',
            'instead' => 'statt|anstatt|anstelle von|anstelle vom|nicht mehr',
            'not' => 'nicht',
            'but' => 'sondern',
        ];
    }
}
