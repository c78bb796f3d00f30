<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice\Language;

use ZippyTray\Core\Tray\Advice\RequestForm;

final readonly class Spanish extends Tongue
{
    public function name(): string
    {
        return 'es';
    }

    public function words(): array
    {
        return [
            'a', 'el', 'la', 'los', 'las', 'de', 'del', 'y', 'que', 'en', 'un', 'una', 'por', 'para', 'con', 'no', 'se', 'su', 'sus',
            'le', 'nos', 'es', 'está', 'lo', 'más', 'pero', 'como', 'favor', 'usted', 'gracias', 'hola', 'antes', 'nuestra', 'nuestro',
            'tu', 'al', 'ha', 'hemos', 'mi', 'si', 'todavía', 'mándame', 'dime', 'dígame', 'puedes', 'podrías', 'tienes', 'tengo',
            'tiene', 'hay', 'muy', 'también', 'ya', 'cuando', 'cuándo', 'qué', 'quién', 'cómo', 'dónde', 'este', 'esta', 'esto', 'eso',
            'me', 'te', 'les', 'mis', 'tus', 'sobre', 'sin', 'hasta', 'desde', 'porque', 'hoy', 'mañana', 'ayer', 'buenos', 'buenas',
            'días', 'querida', 'querido', 'saludos', 'esperando', 'necesito', 'quiero', 'vienes', 'viene', 'llegado', 'olvides',
            'seguimos', 'falta', 'firma', 'firmar', 'estamos', 'estoy', 'son', 'fue', 'era', 'sí', 'uno', 'otro', 'otra', 'todo', 'todos',
            'nada', 'algo', 'bien', 'cuál',
        ];
    }

    public function letters(): string
    {
        return '/[ñ¿¡]/u';
    }

    public function forms(): array
    {
        return [
            [RequestForm::Order, '/
                ¿?\s*\b(?:
                    podrías?|podrían|puedes?|pueden|podríais|le\s+importaría|te\s+importaría
                    |sería(?:s|n)?\s+tan\s+amables?\s+de
                    |harías?\s+el\s+favor\s+de
                )\s+(?:(?:usted|ustedes|por\s+favor|también)\s+)*(?<do>\p{L}.*)
            /xu'],
            [RequestForm::Order, '/(?:^|[,;:.¡]\s*|\by\s+)por\s+favor,?\s+(?<do>\p{L}.*)/xu'],
            [RequestForm::Order, '/(?<do>.{4,140}),?\s+por\s+favor\b/xu'],
            [RequestForm::Order, '/
                \b(?:le|les|te|os)\s+(?:
                    ruego|rogamos|pido|pedimos|agradecería|agradeceríamos|agradezco|agradecemos|recuerdo|recordamos
                    |solicito|solicitamos
                )\s+(?:(?:mucho|encarecidamente|de\s+nuevo|muy)\s+)*(?:que\s+)?(?<do>
                    (?!que\b|su\b|tu\b|por\b|la\b|el\b|mucho)\p{L}.*
                )
            /xu'],
            [RequestForm::Order, '/
                ^(?<do>
                    (?:
                        envíe(?:me|nos|n)?|envía(?:me|nos)?|mánde(?:me|nos)?|mánda(?:me|nos)?|confirme|confirma|firme
                        |firma|responda|responde|díga(?:me|nos)|dime|dinos|llame|llama|llámame|revise|revisa|rellene
                        |rellena|pague|traiga|trae|recuerde|recuerda|no\s+olvides?|avísame|avísenos|devuelva|devuelve
                        |indíquenos|háganos|hágame|avisa|avise|manda|mande|pregunta|pregunte|compra|compre|reserva
                        |reserve|busca|busque|prepara|prepare|lee|lea|mira|mire|corrige|corrija|escribe|escriba|pásame
                        |dame|deme|danos|ayúdame|ponme|póngase|acuérdate|decide|decida|elige|elija
                        |(?:
                            envíen|manden|confirmen|firmen|respondan|digan|llamen|revisen|rellenen|paguen|traigan
                            |recuerden|devuelvan|entreguen|completen|indiquen|elijan|avisen
                        )(?:nos|me)?
                    )\b.*
                )
            /xu'],
            [RequestForm::Wish, '/
                \b(?:sería|estaría|me\s+gustaría|nos\s+gustaría|me\s+vendría|nos\s+ayudaría|me\s+ayudaría)\s+(?:
                    (?:muy|de\s+gran|bien|mucho|estupendo|genial|útil|ayuda|bueno|recibir|tener|saber|contar\s+con)\s+
                )*(?:si|que)?\s*(?<do>(?:usted|pudiera|pudieras|pudieran|tu|su|sus|tus|me|nos|si|una)\b.*)
            /xu'],
            [RequestForm::Need, '/
                \b(?:
                    necesito|necesitamos|necesitaría|necesitaríamos|precisamos|nos\s+falta[n]?|me\s+falta[n]?|espero
                    |esperamos|sigo\s+esperando|seguimos\s+esperando|estamos\s+a\s+la\s+espera\s+de
                )\s+(?:(?:todavía|aún|urgentemente|que)\s+)*(?<do>
                    (?:su|sus|tu|tus|el|la|los|las|una|un|me|nos|firmes?|firmen?)\b.*
                )
            /xu'],
            [RequestForm::Need, '/
                \b(?:solo\s+|sólo\s+|aún\s+|todavía\s+)?faltan?\s+(?:solo\s+|sólo\s+|aún\s+|todavía\s+)?(?<do>
                    (?:su|sus|tu|tus|vuestr[ao]s?|que\s+(?:usted|firmes?|envíes?|confirmes?))\b.*
                )
            /xu'],
            [RequestForm::Need, '/
                (?<do>
                    \b(?:su|tu|sus|tus|la|el)\s[^.;,!?]{2,40}?\s(?:todavía\s+|aún\s+)?no\s+
                    (?:ha|han|está|están|consta)\s+(?:todavía\s+|aún\s+)?(?:sido\s+)?
                    (?:pag|recib|lleg|abon|firm|devuel|entreg|confirm)\p{L}*.*
                )
            /xu'],
            [
                RequestForm::Wish,
                '/\b(?:quiero|queremos|quisiera|quisiéramos|querría|me\s+gustaría|nos\s+gustaría)\s+saber\s+(?<do>\p{L}.*)/xu',
            ],
            [RequestForm::Need, '/\b(?:todavía|aún)\s+no\s+(?:he|hemos|tengo|tenemos)\s+(?<do>\p{L}.*)/xu'],
            [RequestForm::Need, '/\bno\s+(?:he|hemos)\s+recibido\s+(?:todavía\s+|aún\s+)?(?<do>\p{L}.*)/xu'],
            [RequestForm::Need, '/
                \b(?:tienes?|tienen|deben?|debes|debería[sn]?|hay)\s+(?:que\s+)?(?<do>
                    (?:
                        enviar|mandar|firmar|pagar|entregar|presentar|devolver|confirmar|rellenar|completar|responder
                        |revisar
                    )\p{L}*\b.*
                )
            /xu'],
            [RequestForm::Need, '/
                (?<do>
                    \b(?:su|tu|la|el)\s+\p{L}+(?:\s[\p{L}\d\/-]+){0,3}?\s+(?:está|sigue|queda|vence)\s+
                    (?:todavía\s+|aún\s+)?(?:pendiente|vencid[ao]|sin\s+pagar|atrasad[ao]|el\s).*
                )
            /xu'],
        ];
    }

    public function courtesy(): string
    {
        return '/
            ^(?:
                no\s+(?:dude|dudes|responda|conteste)
                |disculp|perdon|acepte|reciba|visite|haga\s+clic|darse|tenga\s+en\s+cuenta
                |su\s+(?:comprensión|paciencia|colaboración)
                |imaginar|creer
            )
        /xu';
    }

    public function unlikely(): string
    {
        return '/^(?:si\s+(?:tiene|tienes|tuviera)\s+(?:alguna|cualquier|más|dudas)|para\s+(?:cualquier|más)|en\s+caso\s+de)/xu';
    }

    public function notNeeded(): string
    {
        return '/\b(?:no\s+(?:es|hace)\s+(?:necesario|falta)|no\s+(?:necesita[sn]?|tienes?\s+que|hay\s+que)|sin\s+necesidad'
            .'|ninguna\s+acción)/xu';
    }

    public function rhetorical(): string
    {
        return '/
            ^¿?\s*(?:(?:y|pero|bueno)[,]?\s+)*(?:
                qué\s+tal
                |cómo\s+(?:estás?|están|va|te\s+va)
                |todo\s+bien
                |quién\s+lo\s+(?:diría|hubiera|habría|iba)
                |por\s+qué\s+no|verdad|no
            )\b[^?]{0,40}\?
        /xu';
    }

    public function english(): array
    {
        return [
            'lunes' => 'monday', 'martes' => 'tuesday', 'miércoles' => 'wednesday', 'jueves' => 'thursday', 'viernes' => 'friday',
            'sábado' => 'saturday', 'domingo' => 'sunday',
            'enero' => 'january', 'febrero' => 'february', 'marzo' => 'march', 'abril' => 'april', 'mayo' => 'may', 'junio' => 'june',
            'julio' => 'july', 'agosto' => 'august', 'septiembre' => 'september', 'octubre' => 'october', 'noviembre' => 'november',
            'diciembre' => 'december',
            'hoy' => 'today', 'mañana' => 'tomorrow', 'ayer' => 'yesterday', 'próximo' => 'next', 'próxima' => 'next', 'este' => 'this',
            'esta' => 'this', 'pasado' => 'last', 'pasada' => 'last', 'semana' => 'week', 'semanas' => 'weeks', 'mes' => 'month',
            'meses' => 'months', 'año' => 'year', 'días' => 'days', 'día' => 'on', 'horas' => "o'clock", 'antes de' => 'the',
            'entre' => 'between', 'y' => 'and', 'buen fin' => 'good', 'feliz fin' => 'good', 'hasta hoy' => 'so far',
            'recibirás' => 'you will receive', 'recibirá' => 'you will receive', 'fin' => 'end', 'finales' => 'end',
            'principios' => 'start', 'mediodía' => 'noon', 'medianoche' => 'midnight', 'tarde' => 'afternoon', 'noche' => 'evening',
            'dentro' => 'within',
            'lunes por' => 'in', 'martes por' => 'in', 'miércoles por' => 'in', 'jueves por' => 'in', 'viernes por' => 'in',
            'sábado por' => 'in', 'domingo por' => 'in', 'la mañana' => 'morning', 'la tarde' => 'afternoon', 'la noche' => 'evening',
            'casa' => 'home', 'el' => 'the', 'la' => 'the', 'las' => 'at', 'los' => 'the', 'del' => 'the', 'al' => 'the', 'de' => 'of',
            'a' => 'at', 'en' => 'in',
            'un' => 'one', 'una' => 'one', 'dos' => 'two', 'tres' => 'three', 'cuatro' => 'four', 'cinco' => 'five', 'seis' => 'six',
            'siete' => 'seven', 'ocho' => 'eight', 'diez' => 'ten', 'quince' => 'fifteen',
            'antes' => 'before', 'hasta' => 'until', 'para' => 'by', 'tardar' => 'the latest', 'desde' => 'since', 'plazo' => 'deadline',
            'plazo de' => 'within', 'termina' => 'ends', 'acaba' => 'ends', 'finaliza' => 'ends', 'abierto' => 'open',
            'abierta' => 'open', 'abiertas' => 'open', 'vence' => 'due', 'límite' => 'deadline',
            'reunión' => 'meeting', 'cita' => 'appointment', 'visita' => 'visit', 'concierto' => 'concert', 'fiesta' => 'party',
            'cena' => 'dinner', 'almuerzo' => 'lunch', 'comida' => 'lunch', 'boda' => 'wedding', 'cumpleaños' => 'birthday',
            'ensayo' => 'rehearsal', 'charla' => 'talk', 'café' => 'coffee', 'excursión' => 'visit', 'cancelada' => 'cancelled',
            'cancelado' => 'cancelled', 'empieza' => 'begins', 'celebra' => 'takes place', 'está' => 'is', 'están' => 'are',
            'estará' => 'will', 'será' => 'will', 'venir' => 'come', 'vienes' => 'come', 'viene' => 'suits', 'cerrado' => 'closed',
            'cerrada' => 'closed', 'estuvimos' => 'were', 'fuimos' => 'were', 'estuve' => 'was', 'estaba' => 'was', 'eran' => 'were',
            'vimos' => 'saw', 'fue' => 'was', 'era' => 'was',
            // Meeting and being there
            'unirte' => 'join', 'unirse' => 'join', 'sumarte' => 'join', 'acompañarnos' => 'join', 'vernos' => 'meet', 'vemos' => 'meet',
            'quedamos' => 'meet', 'quedar' => 'meet', 'reunirnos' => 'meet', 'encontrarnos' => 'meet', 'asistir' => 'attend',
            'participar' => 'attend', 'libre' => 'free', 'disponible' => 'free', 'viene bien' => 'suits', 'conviene' => 'suits',
            'en casa' => 'home', 'pasarte' => 'visit', 'pasar' => 'visit',
        ];
    }

    public function thing(): string
    {
        return '/^(?:(?:el|la|los|las|una?|sus?|tus?)\s)/u';
    }

    public function verbs(): array
    {
        return [
            'firm' => 'Sign',
            'confirm' => 'Confirm',
            'pag|abon' => 'Pay',
            'revis|comprob|corr[ie]g' => 'Check',
            'rellen|complet|cumpliment' => 'Fill in',
            'devolv|devuelv' => 'Send back',
            'llam' => 'Call',
            'traer|traig' => 'Bring',
            'reserv' => 'Book',
            'ped(?:ir|id)' => 'Order',
            'escrib|prepar|redact' => 'Write',
            'env[ií]|mand|remit|entreg|present|facilit' => 'Send',
            'dec|dig|d[ií]m|avis|indic|respond|contest|inform' => 'Tell',
            'ven(?:ir|ga)|asist' => 'Come',
        ];
    }

    public function moving(): array
    {
        return [
            'verb' => 'aplaz|traslad|cambi|movi|mueve|posp|adelant|retras|pas(?:a|amos|ado|ará)\b|prorrog',
            'from' => 'del?|desde',
            'to' => 'al?|para|hasta',
            'instead' => 'en lugar del?|en vez del?',
            'not' => 'no',
            'but' => 'sino',
        ];
    }
}
