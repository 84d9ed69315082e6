/*
 * What WordPress 6.1.9 ships (Debian 12, with its translations), measured by its own first-run form in 64 languages.
 * Digests are SHA-256 of the text with tags stripped, entities decoded, white space folded; in the third page the site's
 * own address (no slash at the end) is replaced by {site} first.
 */
import { unescaped } from '../../core/text/percent.js'
import { titleIn } from './titles.js'

type Row = readonly [locale: string, postTitle: string, postSlug: string, pageTitle: string, pageSlug: string, draftTitle: string, draftSlug: string, categoryName: string, categorySlug: string, commentBy: string]

const rows: readonly Row[] = [
  ['en_US', 'Hello world!', 'hello-world', 'Sample Page', 'sample-page', 'Privacy Policy', 'privacy-policy', 'Uncategorized', 'uncategorized', 'A WordPress Commenter'],
  ['ar', 'أهلاً بالعالم !', '%d8%a3%d9%87%d9%84%d8%a7-%d8%a8%d8%a7%d9%84%d8%b9%d8%a7%d9%84%d9%85', 'مثال على صفحة', 'مثال-على-صفحة', 'Privacy Policy', 'privacy-policy', 'غير مصنف', '%d8%ba%d9%8a%d8%b1-%d9%85%d8%b5%d9%86%d9%81', 'A WordPress Commenter'],
  ['bg_BG', 'Здравей, свят!', 'hello-world', 'Примерна страница', 'примерна-страница', 'Privacy Policy', 'privacy-policy', 'Без категория', '%d0%b1%d0%b5%d0%b7-%d0%ba%d0%b0%d1%82%d0%b5%d0%b3%d0%be%d1%80%d0%b8%d1%8f', 'A WordPress Commenter'],
  ['bn_BD', '! স্বাগতম!', 'hello-world', 'Sample Page', 'sample-page', 'Privacy Policy', 'privacy-policy', 'বিভাগবিহীন', 'uncategorized', 'A WordPress Commenter'],
  ['bs_BA', 'Zdravo svijete!', 'zdravo-svijete', 'Probna stranica', 'probna stranica', 'Privacy Policy', 'privacy-policy', 'Nekategorisano', 'nekategorisano', 'A WordPress Commenter'],
  ["ca", "Hola, món!", "hola-mon", "Pàgina d'exemple", "pagina-exemple", "Privacy Policy", "privacy-policy", "General", "general", "A WordPress Commenter"],
  ['ckb', 'سڵاو جیهان', 'sillaw-cihan', 'نموونەی پەڕە', 'نموونەی-پەڕە', 'Privacy Policy', 'privacy-policy', 'هاوپۆلنه‌كراو', '%d9%87%d8%a7%d9%88%d9%be%db%86%d9%84-%d9%86%db%95%da%a9%d8%b1%d8%a7%d9%88', 'A WordPress Commenter'],
  ['cs_CZ', 'Ahoj všichni!', 'ahoj-vsichni', 'Sample Page', 'sample-page', 'Privacy Policy', 'privacy-policy', 'Nezařazené', 'nezarazene', 'A WordPress Commenter'],
  ['cy', 'Helo fyd!', 'helo-fyd', 'Tudalen Enghreifftiol', 'tudalen-enghreifftiol', 'Privacy Policy', 'privacy-policy', 'Heb Gategori', 'heb-gategori', 'A WordPress Commenter'],
  ['da_DK', 'Hej Verden!', 'hej-verden', 'Eksempelside', 'eksempel-side', 'Privacy Policy', 'privacy-policy', 'Ikke kategoriseret', 'ikke-kategoriseret', 'A WordPress Commenter'],
  ['de_DE', 'Hallo Welt!', 'hallo-welt', 'Beispiel-Seite', 'beispiel-seite', 'Privacy Policy', 'privacy-policy', 'Allgemein', 'allgemein', 'A WordPress Commenter'],
  ['el', 'Καλημέρα κόσμε!', 'hello-world', 'Δείγμα σελίδας', 'sample-page', 'Privacy Policy', 'privacy-policy', 'Χωρίς κατηγορία', '%ce%b1%cf%84%ce%b1%ce%be%ce%b9%ce%bd%cf%8c%ce%bc%ce%b7%cf%84%ce%b1', 'A WordPress Commenter'],
  ['en_CA', 'Hello world!', 'hello-world', 'Sample Page', 'sample-page', 'Privacy Policy', 'privacy-policy', 'Uncategorized', 'uncategorized', 'A WordPress Commenter'],
  ['eo', 'Saluton mondo!', 'saluton-mondo', 'Ekzempla paĝo', 'ekzempla paĝo', 'Privacy Policy', 'privacy-policy', 'Senkategoria', 'senkategoria', 'A WordPress Commenter'],
  ['es_CL', '¡Hola mundo!', 'hola-mundo', 'Página de ejemplo', 'página-de-ejemplo', 'Privacy Policy', 'privacy-policy', 'Sin categoría', 'sin-categoria', 'A WordPress Commenter'],
  ['es_ES', '¡Hola mundo!', 'hola-mundo', 'Página de ejemplo', 'pagina-ejemplo', 'Privacy Policy', 'privacy-policy', 'Sin categoría', 'sin-categoria', 'A WordPress Commenter'],
  ['es_PE', '¡Hola mundo!', 'hola-mundo', 'Página de ejemplo', 'pagina-de-ejemplo', 'Privacy Policy', 'privacy-policy', 'Sin categoría', 'sin-categoria', 'A WordPress Commenter'],
  ['et', 'Tere-tere!', 'tere-tere', 'Näidisleht', 'demoleht', 'Privacy Policy', 'privacy-policy', 'Määratlemata', 'maaratlemata', 'A WordPress Commenter'],
  ['eu', 'Kaixo mundua!', 'kaixo-mundua', 'Lagin-orrialdea', 'lagin-orrialdea', 'Privacy Policy', 'privacy-policy', 'Sailkatugabeak', 'sailkatugabeak', 'A WordPress Commenter'],
  ['fa_IR', 'سلام دنیا!', '%d8%b3%d9%84%d8%a7%d9%85-%d8%af%d9%86%db%8c%d8%a7', 'برگه نمونه', 'برگه-نمونه', 'Privacy Policy', 'privacy-policy', 'دسته‌بندی نشده', '%d8%af%d8%b3%d8%aa%d9%87%d8%a8%d9%86%d8%af%db%8c-%d9%86%d8%b4%d8%af%d9%87', 'یک نویسنده‌ی دیدگاه در وردپرس'],
  ['fi', 'Moikka maailma!', 'moikka-maailma', 'Esimerkkisivu', 'esimerkkisivu', 'Privacy Policy', 'privacy-policy', 'Yleinen', 'yleinen', 'A WordPress Commenter'],
  ['fr_FR', 'Bonjour tout le monde !', 'bonjour-tout-le-monde', 'Page d’exemple', 'page-d-exemple', 'Privacy Policy', 'privacy-policy', 'Non classé', 'non-classe', 'A WordPress Commenter'],
  ['gd', 'Fàilte ort, a shaoghail!', 'failte-a-shaoghail', 'Duilleag sampaill', 'duilleag-sampaill', 'Privacy Policy', 'privacy-policy', 'Gun roinn-seòrsa', 'gun-roinn-seorsa', 'A WordPress Commenter'],
  ['gl_ES', 'Ola mundo!', 'ola-mundo', 'Páxina de exemplo', 'paxina-exemplo', 'Privacy Policy', 'privacy-policy', 'Sen categorizar', 'sen-categoria', 'A WordPress Commenter'],
  ['he_IL', 'שלום עולם!', '%d7%a9%d7%9c%d7%95%d7%9d-%d7%a2%d7%95%d7%9c%d7%9d', 'עמוד לדוגמא', 'sample-page', 'Privacy Policy', 'privacy-policy', 'כללי', '%d7%9b%d7%9c%d7%9c%d7%99', 'A WordPress Commenter'],
  ['hr', 'Dobar dan, svijete!', 'dan-svijete', 'Primjer stranice', 'primjer-stranice', 'Privacy Policy', 'privacy-policy', 'Nekategorizirano', 'nekategorizirano', 'A WordPress Commenter'],
  ['hu_HU', 'Helló Világ!', 'hello-vilag', 'Ez egy minta oldal', 'ez-egy-minta-oldal', 'Privacy Policy', 'privacy-policy', 'Egyéb', 'egyeb', 'A WordPress Commenter'],
  ['id_ID', 'Halo dunia!', 'halo-dunia', 'Halaman Contoh', 'halaman-contoh', 'Privacy Policy', 'privacy-policy', 'Tak Berkategori', 'tak-berkategori', 'A WordPress Commenter'],
  ['it_IT', 'Ciao mondo!!', 'ciao-mondo', 'Pagina di esempio.', 'pagina-di-esempio', 'Privacy Policy', 'privacy-policy', 'Senza categoria', 'senza-categoria', 'A WordPress Commenter'],
  ['ja', 'Hello world!', 'hello-world', 'サンプルページ', 'sample-page', 'Privacy Policy', 'privacy-policy', '未分類', '%e6%9c%aa%e5%88%86%e9%a1%9e', 'A WordPress Commenter'],
  ['jv_ID', 'Kula Nuwun!', 'kula-nuwun', 'Sample Page', 'sample-page', 'Privacy Policy', 'privacy-policy', 'Ora ono kategorine', 'ora-ono-kategorine', 'A WordPress Commenter'],
  ['ka_GE', 'ცხოვრება მშვენიერია!', 'gamarjoba-samkaro', 'სანიმუშო გვერდი', 'sample-page', 'Privacy Policy', 'privacy-policy', 'კატეგორიის გარეშე', 'uncategorized', 'A WordPress Commenter'],
  ['ko_KR', '안녕하세요!', '%ec%95%88%eb%85%95%ed%95%98%ec%84%b8%ec%9a%94', '샘플 페이지', '샘플 페이지', 'Privacy Policy', 'privacy-policy', '미분류', '%eb%af%b8%eb%b6%84%eb%a5%98', 'A WordPress Commenter'],
  ['lv', 'Sveika pasaule!', 'esiet-sveicinati', 'Sample Page', 'sample-page', 'Privacy Policy', 'privacy-policy', 'Bez tēmas', 'bez-kategorijas', 'A WordPress Commenter'],
  ['mk_MK', 'Здраво Свету!', '%d0%b7%d0%b4%d1%80%d0%b0%d0%b2%d0%be-%d1%81%d0%b2%d0%b5%d1%82%d1%83', 'Пример страница', 'primer-stranica', 'Privacy Policy', 'privacy-policy', 'Некатегоризирано', '%d0%bd%d0%b5%d0%ba%d0%b0%d1%82%d0%b5%d0%b3%d0%be%d1%80%d0%b8%d0%b7%d0%b8%d1%80%d0%b0%d0%bd%d0%be', 'A WordPress Commenter'],
  ['ms_MY', 'Helo dunia!', 'helo-dunia', 'Sample Page', 'sample-page', 'Privacy Policy', 'privacy-policy', 'Pelbagai', 'pelbagai', 'A WordPress Commenter'],
  ['my_MM', 'မ​ဂင်္လာ​ပါ​ !', 'hello-world', 'နမူနာ စာမျက်နှာ', 'sample-page', 'Privacy Policy', 'privacy-policy', 'က​ဏ္ဍ​ ခွဲမထား', 'uncategorized', 'A WordPress Commenter'],
  ['nb_NO', 'Hei, verden!', 'hei-verden', 'Testside', 'testside', 'Privacy Policy', 'privacy-policy', 'Ukategorisert', 'ukategorisert', 'A WordPress Commenter'],
  ['nl', 'Hallo wereld!', 'hallo-wereld', 'Sample Page', 'sample-page', 'Privacy Policy', 'privacy-policy', 'Geen categorie', 'geen-categorie', 'A WordPress Commenter'],
  ['nl_NL', 'Hallo wereld!', 'hallo-wereld', 'Voorbeeld pagina', 'voorbeeld-pagina', 'Privacy Policy', 'privacy-policy', 'Geen categorie', 'geen-categorie', 'A WordPress Commenter'],
  ['pl_PL', 'Witaj, świecie!', 'witaj-swiecie', 'Przykładowa strona', 'przykladowa-strona', 'Privacy Policy', 'privacy-policy', 'Bez kategorii', 'bez-kategorii', 'A WordPress Commenter'],
  ['pt_BR', 'Olá, mundo!', 'ola-mundo', 'Página de Exemplo', 'pagina-exemplo', 'Privacy Policy', 'privacy-policy', 'Sem categoria', 'sem-categoria', 'A WordPress Commenter'],
  ['pt_PT', 'Olá, mundo!', 'ola-mundo', 'Exemplo de página', 'pagina-exemplo', 'Privacy Policy', 'privacy-policy', 'Sem categoria', 'sem-categoria', 'A WordPress Commenter'],
  ['ro_RO', 'Salut lume!', 'salut-lume', 'Sample Page', 'sample-page', 'Privacy Policy', 'privacy-policy', 'Fără categorie', 'fara-categorie', 'A WordPress Commenter'],
  ['ru_RU', 'Привет, мир!', '%d0%bf%d1%80%d0%b8%d0%b2%d0%b5%d1%82-%d0%bc%d0%b8%d1%80', 'Пример страницы', 'sample-page', 'Privacy Policy', 'privacy-policy', 'Без рубрики', '%d0%b1%d0%b5%d0%b7-%d1%80%d1%83%d0%b1%d1%80%d0%b8%d0%ba%d0%b8', 'A WordPress Commenter'],
  ['ru_UA', 'Hello world!', 'hello-world', 'Sample Page', 'sample-page', 'Privacy Policy', 'privacy-policy', 'Uncategorized', 'uncategorized', 'A WordPress Commenter'],
  ['si_LK', 'ලෝකයට ආයුබෝවන්!', '%e0%b6%bd%e0%b7%9d%e0%b6%9a%e0%b6%ba%e0%b6%a7-%e0%b6%86%e0%b6%ba%e0%b7%94%e0%b6%b6%e0%b7%9d%e0%b7%80%e0%b6%b1%e0%b7%8a', 'Sample Page', 'අාදර්ශ-පටුන', 'Privacy Policy', 'privacy-policy', 'වර්ගීකරණය නොකළ', '%e0%b7%80%e0%b6%bb%e0%b7%8a%e0%b6%9c%e0%b7%93%e0%b6%9a%e0%b6%bb%e0%b6%ab%e0%b6%ba-%e0%b6%b1%e0%b7%9c%e0%b6%9a%e0%b7%85', 'A WordPress Commenter'],
  ['sk_SK', 'Ahoj svet!', 'ahoj-svet', 'Ukážka strany', 'ukazka-strany', 'Privacy Policy', 'privacy-policy', 'Nezaradené', 'nezaradene', 'A WordPress Commenter'],
  ['sl_SI', 'Pozdravljen svet!', 'pozdravljen-svet', 'Vzorčna Stran', 'vzorcna-stran', 'Privacy Policy', 'privacy-policy', 'Neuvrščeni', 'nekategorizirano', 'A WordPress Commenter'],
  ['sq', 'Tungjatjeta botë!', 'hello-world', 'Faqe Shembull', 'faqe-shembull', 'Privacy Policy', 'privacy-policy', 'I pakategorizuar', 'i-pakategorizuar', 'A WordPress Commenter'],
  ['sr_RS', 'Здраво, свете!', 'zdravo-svete', 'Пример стране', 'primer-strane', 'Privacy Policy', 'privacy-policy', 'Некатегоризовано', 'nekategorizovano', 'Вордпресов коментатор'],
  ['su_ID', 'Héy dunya!', 'hey-dunya', 'Sample Page', 'sample-page', 'Privacy Policy', 'privacy-policy', 'Tanpa Katagori', 'tanpa-katagori', 'A WordPress Commenter'],
  ['sv_SE', 'Hej världen!', 'hej-varlden', 'Exempelsida', 'exempelsida', 'Privacy Policy', 'privacy-policy', 'Okategoriserade', 'okategoriserade', 'En kommentarsförfattare'],
  ['sw', 'Jambo dunia!', 'hello-world', 'Sample Page', 'sample-page', 'Privacy Policy', 'privacy-policy', 'Isio-gawanyo', 'isio-gawanywa', 'A WordPress Commenter'],
  ['ta_LK', 'வணக்கம் தமிழர்களே!', 'hello-world', 'மாதிரிப் பக்கம்', 'மாதிரிப்பக்கம்', 'Privacy Policy', 'privacy-policy', 'வகைப்படுத்தப்படாதது', '%e0%ae%aa%e0%ae%bf%e0%ae%b0%e0%ae%bf%e0%ae%b5%e0%ae%b1%e0%af%8d%e0%ae%b1%e0%ae%a4%e0%af%81', 'A WordPress Commenter'],
  ["th", "สวัสดีชาวโลก - -'", "%e0%b8%aa%e0%b8%a7%e0%b8%b1%e0%b8%aa%e0%b8%94%e0%b8%b5%e0%b8%8a%e0%b8%b2%e0%b8%a7%e0%b9%82%e0%b8%a5%e0%b8%81", "หน้าตัวอย่าง", "หน้าตัวอย่าง", "Privacy Policy", "privacy-policy", "ไม่มีหมวดหมู่", "%e0%b9%84%e0%b8%a1%e0%b9%88%e0%b8%a1%e0%b8%b5%e0%b8%ab%e0%b8%a1%e0%b8%a7%e0%b8%94%e0%b8%ab%e0%b8%a1%e0%b8%b9%e0%b9%88", "A WordPress Commenter"],
  ['tr_TR', 'Merhaba dünya!', 'merhaba-dunya', 'Sample Page', 'sample-page', 'Privacy Policy', 'privacy-policy', 'Genel', 'genel', 'A WordPress Commenter'],
  ['ug_CN', 'سالام دۇنيا!', '%d8%b3%d8%a7%d9%84%d8%a7%d9%85-%d8%af%db%87%d9%86%d9%8a%d8%a7', 'ئۈلگە بەت', 'sample-page', 'Privacy Policy', 'privacy-policy', 'سەھىپە ئايرىلمىغان', '%d8%b3%db%95%da%be%d9%89%d9%be%d9%89%da%af%db%95-%d8%a6%d8%a7%d9%8a%d8%b1%d9%89%d9%84%d9%85%d9%89%d8%ba%d8%a7%d9%86', 'A WordPress Commenter'],
  ['uk', 'Hello world!', 'hello-world', 'Sample Page', 'sample-page', 'Privacy Policy', 'privacy-policy', 'Без категорії', 'uncategorized', 'A WordPress Commenter'],
  ['ur', 'ہیلو دنیا!', 'hello-world', 'Sample Page', 'sample-page', 'Privacy Policy', 'privacy-policy', 'متفرق', 'uncategorized', 'A WordPress Commenter'],
  ['vi', 'Chào tất cả mọi người!', 'chao-moi-nguoi', 'Sample Page', 'sample-page', 'Privacy Policy', 'privacy-policy', 'Khác', 'chua-duoc-phan-loai', 'A WordPress Commenter'],
  ['zh_CN', '世界，您好！', 'hello-world', '示例页面', 'sample-page', 'Privacy Policy', 'privacy-policy', '未分类', 'uncategorized', 'A WordPress Commenter'],
  ['zh_HK', '你好！', 'hello-world', 'Sample Page', 'sample-page', 'Privacy Policy', 'privacy-policy', '未分類', 'uncategorized', 'A WordPress Commenter'],
  ['zh_TW', 'Hello world! 哈囉！', 'hello-world', '範例頁面', 'sample-page', 'Privacy Policy', 'privacy-policy', '未分類', 'uncategorized', '一位 WordPress 留言者'],
]

export interface ShippedWords {
  locale: string
  post: { title: string; slug: string }
  page: { title: string; slug: string }
  draft: { title: string; slug: string }
  category: { name: string; slug: string }
  commentBy: string
}

/** Titles, slugs and names that ship, a row a language, as an owner reads them. */
export const shippedWords: readonly ShippedWords[] = rows.map(([locale, postTitle, postSlug, pageTitle, pageSlug, draftTitle, draftSlug, name, slug, commentBy]) => ({
  locale,
  post: { title: titleIn(postTitle), slug: unescaped(postSlug) },
  page: { title: titleIn(pageTitle), slug: unescaped(pageSlug) },
  draft: { title: titleIn(draftTitle), slug: unescaped(draftSlug) },
  category: { name: titleIn(name), slug: unescaped(slug) },
  commentBy: titleIn(commentBy),
}))

/** Digests of the shipped texts, in all languages. */
export const shippedTexts = {
  post: new Set([
    '0c72d97c0f81a956f1011153cfc6d1a373b9978c330add48e3201ad6e9cd3f79',
    '2a9693400828653f0eee8561c5e6c2cbf33710674e0bc90feefcfae8bbc54587',
    '43161c2ace04fa294c2c4e45986f4b9a080b5dc71b07c8fd542522efc691c9a1',
    '5e6d510c58f37f9568ac0de67d297d5a992c34a588dd28df815d1b646e71a5a3',
    '7878a5827cf33686ca147a522a31b5dc865f8387ee7939c2c1a57e07a02d8b58',
    '8d9f9efd3afb008fff670311d45f06feb10fb793f888f69a4cc7ce1e792e634f',
    '9cc002630af5f4656f712c23febf685c16087d0dee44a580aea697c0e4ae4b4a',
    'bc99400f7cf6e80c051b64c45fbb4f763bfcf7862f2c456710ab88a529c78a5b',
    'e2f3c31d98f6351c2a86dda0a14b889a146743fea21a588cc3702d75ea82462c'
  ]),
  page: new Set([
    'fe535939717fed5f665185be3836c326a88734fcad625ac299a953fdeceede83'
  ]),
  draft: new Set([
    '03b3e0deedeb3cf987b8a9e380ba7558a1c2c3eaab13c016931710358f3f36ea',
    '0abd5740565e7f897ab8660925543223bca40f479194331bf710fe5b05c2dac4',
    '0bbc8a5135e22d3d2924122e319763a2688ca5580e43a94ef64d8637c0d83ac1',
    '115a7041d593e6a9fad6a07df9a51e1be5e9ea1d28c2f950d1bfda2a4267e533',
    '130ba5c1cf9997e13f032189518c6bb6492e416a092869ea8c6b56b34298918d',
    '22c96f8ab56b27dcadfb5587fa7452a4a0ffef4e67c6e612fbe25afa45b0198d',
    '2340a6fe36b9bb31eb8b61e70c92247440f507e412e2ed34bb9c340dc22d59dd',
    '24092cb5c87ef2c8eb9bb847c737c6c9101e8cd90acc610bf4b2b473e3ed7175',
    '24de71e762b646eba8c381fa29c3e4a53da27c5bab4c208ed2703ab2f03a392e',
    '2d3d7d6a7c8b14741313ab1781632d887c654df93a921b6f2cb6988af2fb2fec',
    '35630686c95bcc9435186ac4a42a38a503e283e3d378fe6957ee25b09baf0dbf',
    '36388a9644f0cfa688966d3adf8931409084d494ee28eeeddc3d90f9a8871a0b',
    '363bd3225569b7ab800bb8edc430bbf79d9917015ce71c9c0e85c4900eefdf5a',
    '45034bec4b111266c56db76fac857eb43526a5ec173f04319077a2faa132d390',
    '471849e6906c25050180fe24ee158b1368093fbbb5af03a7f2ac492b1b9a61c1',
    '47dc7523170f9d418705306b1c71815f71e52f016d33f2903add91a1dd51cb65',
    '5011d0fe306e3eff8812cedd0452418bf8bd16ecf46bd9e90669d953c804be99',
    '556d4550dc3cf579a467cc3aac292c98ec681df3ae2c1ea090a82850b7a23fc1',
    '5576408b909be92323ae1772d23aeb5ab9a528697fad42e9f467f54385b323a0',
    '576ea7885ccd81d730600d996545675a51b3df5f9863e8aded116f51e6c355a9',
    '58d0bc2cfc9961f0bd6401eee795e154d158f855e976ea16b81e6c5269e3c8d9',
    '63f1b32e8953ec7d5f8072b284435a59f83716d9c37338246ac66282cd702584',
    '6754b24a3ea7fe8f1b1748524162497b94db4118e88a44e9f431d81c7409c040',
    '6844cc2c1715c876cd9c1d8a7392abba00cb6797bd525c483ac4e2afd9749215',
    '6d45b52c2f519d414701295dd6e9a009a1ef458eb77a3d8ae9e88afa035a6560',
    '716ef2b9d28de04dcd665b1cd233f28a2ffaa43d95b48ed33e37dfc0ab7e8f00',
    '782891c22898ca4ebc40f9dbfacec37b49120e6d6bec749b88a56e40fc5fce5a',
    '7e6f21355ae31fbcb1b2b4fae1b4542717717e13a0df50df3f71d26cb3909064',
    '82de723e96bab08896adb890da81d6b76bffe910cb7c9b6905bdcdc15b73e475',
    '88fa388815daa708b22507ebfca7a5f5e6381929edfea0aefc3274c59dd1792c',
    '8d02d26e73373fb7ac690315ff4f1bb209a1d174d21b49f9f557139cc0ff9ba3',
    '9ac2546f83d0d5d813d18036965aa64c856781ab6396d06bdfc33ee8655cf770',
    '9c24e66f57848d7ff33142ea8f4dddc6d47fe4fab8f23897a5ffb93ff2c36c0e',
    '9ebcadcffcde51451f25ff71ffb64069352b659b79742f37b6f79f3fb64df2f2',
    'a018d5167975c98b30d455d2cabb256ecf16e0d89a3b92d4e82a2d7b202d4622',
    'a25e08345aef3178146a6a5942552b70bf343d7f95c4eeb5f62bbc4d7b8711df',
    'ac7d395a2f373c8253b7df73e3d617caef885e78c988528e997a574d19a5928a',
    'b2164a3904f0391861ac64d6ba40a98b8e42b17d6f30c4211c6a53d7f0a9b699',
    'b3b6917f1ef13082db1fc6d220be4248ca83e06dac7f255717fab2b82df68ff0',
    'b7a471ec49dd1920654f6bb7440ad5930f86dc4d89551355c9e533af61cebfb4',
    'b9e46789c217ffd482e6c18443a97d6cadf4b7cc1c13fe4cbe224e99db163e3b',
    'ba36c1eac7c80a3cd8aac3706127c593da66d6a2484c26d70e683426ad3bd489',
    'bc59cc2cd32e1ef7b3bd8901afdfc58cfe907a0731340a136195e9f304604d65',
    'c0a21216746e6ff429b93ec4dfc1c9f343c7d1fb1bd2518be7c15006fb442195',
    'c4c9752f1cd415092eb5589e736a2f40e49b0fd80293c7b700d27f11362cd02c',
    'c64c9931805c2c4b6b18fb34f4704771c6973e7c446bd1a80fc94e0eda7ecb3c',
    'cd7856eccd7a76c52b8114ddb733554601f52749a19a99347b09c79f58369f44',
    'd047a0323b3c14ca19f902657834244cfb5caf20070051793446d2fa784a507a',
    'd2f009d082a576e712fd6bd6e55a72edb2b5ef5d532db5eebc5ae570360f8ef7',
    'd780a97b368451c98f47c282612251c166fc2de79bfb2e67f05648ceb5d1a2bb',
    'd7cf0b69d43e14566ec05b5185007fe11dfc0d0b358e5502cf7a6726d2f06c23',
    'd8233a062f75d381517beaddfbc795179a0580ba4935b8ad432f89fcddd3457e',
    'da8a40445caf524812b18042820a1d73f1173828a610c4e0d3cb9720cc8f2f0a',
    'dca6503c9900c9e45bc9c4835b9e4e8fa5faee6866a7055231734b98104efe2b',
    'e373ad8a3f890d2ce623b92e0c00e51b6c7ed9c3fe8d1005ad3fefb85058540e',
    'e7fbe48d5e28b8badf48e0871bcaad600d233f36af35f86e9a01abed407da25b',
    'f2ddc4a3fbc2bde350bfce9822a6fb45ef8cacb326bd20131cd244428f7dd464',
    'f9a813b75c0d273e5e743ba4c6f72f636d83ff053c37122c3f5ac14c131843a7'
  ]),
  comment: new Set([
    'b15ec202c8d107ed7bfa0ea9cfba1f00960ecbf6508a6fe7a5f90d5f7bd6b40d'
  ]),
}
