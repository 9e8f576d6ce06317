/** Folds the help of a page on phones. */
document.querySelector('.intro')?.toggleAttribute('open', innerWidth > 600);
