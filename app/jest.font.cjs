module.exports = 'font.ttf';
