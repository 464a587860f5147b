/**
 * The style sheet of Slate: custom properties, a strip whose end the page goes on with, pictures in
 * every way a theme lays them.
 */
export const slateCss = `/* Slate, an invented theme */
:root { --slate: #3f5161; --deep: #2c3946; --paper: #fbfaf7; --line: #c3ccd4; --link: #8a4b2b; }

html { background: var(--slate); }
body { margin: 0; background: #3f5161 url("images/strip.png") repeat-x 0 0; color: #22282e; font: 16px/1.5 Georgia, serif; }
#wrapper { width: 1020px; margin: 0 auto; background: var(--paper) url(images/paper.webp); border: 1px solid var(--line); }
#top { height: 92px; background: url(images/shadow.png) no-repeat 0 100%; }
.logo { display: block; width: 260px; height: 72px; margin-left: 20px; background: url(images/mark.png) no-repeat; }
#header { height: 212px; background: #4b5f70 url(images/header.jpg) no-repeat 50% 0; color: #ffffff; }
#header h1 { margin: 0; padding: 66px 30px 0; font-weight: normal; color: #ffffff; text-shadow: 0 1px 2px rgba(31, 41, 51, .7); }

.menu { margin: 0; padding: 0 20px; list-style: none; height: 34px; }
.menu li { float: left; padding-left: 14px; margin-right: 4px; background: url(images/menu-left.png) no-repeat 0 0; }
.menu li a { float: left; height: 34px; line-height: 34px; padding-right: 14px; color: #f2f5f7; text-decoration: none; background: #46596a url(images/menu-right.png) no-repeat 100% 0; }
.menu li a span { float: left; background: url(images/menu-middle.png) repeat-x; padding: 0 8px; }

#main { float: left; width: 680px; padding: 20px 30px; }
#main h2 { color: var(--slate); padding-bottom: 9px; background: url(images/rule.png) no-repeat 0 100%; }
a { color: var(--link); }
a:hover { color: #3a6a8a; }
blockquote { margin: 20px 0; padding-left: 56px; background: url(images/quote.png) no-repeat; color: #4a5a68; }
ul.list { list-style-image: url(images/bullet.gif); }
.button { display: inline-block; width: 120px; height: 36px; line-height: 36px; text-align: center; color: #fff; text-decoration: none; background: url(images/button.png) no-repeat; }
.button:hover { color: #fff; background-image: url(images/button-over.png); }
.small { display: inline-block; width: 64px; height: 22px; font-size: 12px; text-align: center; color: #fff; background: #4a5f71 url(images/button-small.gif) no-repeat; }
.waiting { display: inline-block; width: 24px; height: 24px; background: url(images/waiting.gif) no-repeat; }
.frame { border: 9px solid #5f7a92; border-image: url(images/frame.png) 9; padding: 10px; }

.box { position: relative; margin: 20px 0; padding: 12px 16px; background: #45596b; color: #e8edf1; }
.box i { position: absolute; width: 12px; height: 12px; background-color: var(--paper); }
.box .tl { left: 0; top: 0; background-image: url(images/corner-top-left.png); }
.box .tr { right: 0; top: 0; background-image: url(images/corner-top-right.png); }
.box .bl { left: 0; bottom: 0; background-image: url(images/corner-bottom-left.png); }
.box .br { right: 0; bottom: 0; background-image: url(images/corner-bottom-right.png); }

#sidebar { float: right; width: 240px; min-height: 700px; background: #849bb5 url("images/sidebar.png") repeat-y; color: #1d252c; }
#sidebar h3 { height: 48px; line-height: 48px; margin: 16px 0; padding-left: 14px; color: #fff; background: url(images/ribbon.webp) no-repeat; font-size: 16px; }
.search { padding-left: 26px; background: url(images/search.png) no-repeat 0 50%; }
.feed { padding-left: 26px; background: url(images/feed.png) no-repeat 0 50%; }
.letter { padding-left: 26px; background: url(images/letter.svg) no-repeat 0 50%; }
.newer { padding-left: 20px; background: url(images/arrow-left.png) no-repeat 0 50%; }
.older { padding-right: 20px; background: url(images/arrow-right.png) no-repeat 100% 50%; }

.ridge { clear: both; height: 40px; background: url(images/ridge.svg) repeat-x 0 100%; }
#footer { height: 96px; background: #3c4d5c url(images/footer.jpg) no-repeat; color: #dfe6ec; padding: 0 30px; }
.after { height: 300px; background: #2c3944 url(images/footer-strip.png) repeat-x; }
.photo { background: #4a5f72 url(images/page.jpg) fixed 50% 0 / cover; }

@media (max-width: 40em) { #wrapper { width: 100% } #header { background-size: cover } .menu { border-bottom: 2px solid var(--deep) } }
`;

const paragraph =
  '<p>The second firing of the autumn came out on Thursday. Most of the bowls took the glaze evenly, two of the tall jars ran at the foot, and the tiles are better than they have ever been. There is a shelf of seconds by the door.</p>';

/** A page that shows all of Slate, longer than its strip. */
export const slateHtml = `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<title>Slate</title>
<link rel="stylesheet" href="style.css">
<body>
<div id="wrapper">
  <div id="top"><a class="logo" href="#" aria-label="The studio"></a></div>
  <div id="header"><h1>A quiet theme in slate</h1></div>
  <ul class="menu"><li><a href="#"><span>Home</span></a></li><li><a href="#"><span>Classes</span></a></li><li><a href="#"><span>Shop</span></a></li></ul>
  <div id="main">
    <h2>Out of the kiln</h2>
    ${paragraph}
    <blockquote>Slow cooling is half of the glaze.</blockquote>
    <p><a class="button" href="#">Book a place</a> <span class="small">new</span> <span class="waiting"></span></p>
    <div class="box"><i class="tl"></i><i class="tr"></i><i class="bl"></i><i class="br"></i>The kiln is open on Saturday from ten.</div>
    <h2>What to bring</h2>
    <ul class="list"><li>An apron</li><li>A towel</li><li>Short nails</li></ul>
    <div class="frame">Pieces are kept for six weeks after the firing.</div>
    ${paragraph}
    <p><a class="newer" href="#">Newer</a> <a class="older" href="#">Older</a></p>
  </div>
  <div id="sidebar"><h3>Around here</h3><p class="search">Look for a word</p><p class="feed">What is new</p><p class="letter">Write to us</p></div>
  <div class="ridge"></div>
  <div id="footer"><p>An invented studio</p></div>
</div>
<div class="after"></div>
</body>
</html>
`;
