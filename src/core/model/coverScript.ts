/** Serves all covers of a page, however often it stands there. */
export const OPENER =
  'if(!window.coversOpen){window.coversOpen=1;document.addEventListener("click",function(e){' +
  'var a=e.target.closest&&e.target.closest("a[data-frame]");' +
  'if(!a||e.button||e.ctrlKey||e.metaKey||e.shiftKey||!/^https?:/i.test(a.dataset.frame))return;e.preventDefault();' +
  'var f=document.createElement("iframe");f.title=a.dataset.title||"";f.allow=a.dataset.allow||"";f.allowFullscreen=true;' +
  'f.style.cssText="position:absolute;top:0;left:0;width:100%;height:100%;border:0";f.src=a.dataset.frame;a.replaceWith(f);f.focus()})}';
