require "fileutils"
require "tmpdir"

# Decoded pictures and what was made from them, on disk, so that a reading never
# decodes. All of it can be made again; the oldest go when it grows too large.
module PictureCache
  LARGEST_BYTES = 4 * 1024**3
  # Seconds for which what could not be drawn is not tried again: each try may cost ten of
  # a processor, but it may have been the machine's fault, and not the drawing's.
  REFUSED = 600

  module_function

  # What was computed by other code is another matter: each edition of the core has a
  # folder of its own, and what the others left is the first to go.
  def folder = File.join(whole, Magpie.edition)

  def whole = ENV.fetch("CACHE_DIR") { File.join(Dir.tmpdir, "yellow-magpie-cache-#{Process.uid}") }

  # @param key [String] letters and digits; the same for the same pixels
  # @param drawing [String] another key, of what many pictures are painted from: what could
  #   not be drawn is not tried again for a while
  # @yieldreturn [String] the picture file, asked for the first time only
  # @return [Magpie::Picture]
  # @raise [Magpie::Error] when the bytes are damaged
  def picture(key, name, drawing: key)
    return reopen(key) if kept?("#{key}.v")
    unless_refused(drawing, name) { bring(key, yield, name, toned: false) }
    reopen(key)
  end

  # @param drawing [String] key of what many pictures are painted from
  # @raise [Magpie::Error] without a try, where it could not be drawn a while ago
  def unless_refused(drawing, name)
    refused = File.join(folder, "#{drawing}-refused.txt")
    raise Magpie::Error.new(File.read(refused), file: name) if File.exist?(refused) && File.mtime(refused) > Time.now - REFUSED
    yield
  rescue Magpie::Walls::Broken => broken
    store(refused) { |temporary| File.write(temporary, broken.message) }
    raise
  end

  def reopen(key) = Magpie::Picture.reopen(File.join(folder, "#{key}.v"))

  # Decodes a picture, and keeps its pixels.
  # @return [Magpie::Walls::Jobs::Opened]
  # @raise [Magpie::Error]
  def bring(key, bytes, name, toned: true)
    return Magpie::Walls.picture(bytes, name:, toned:) if kept?("#{key}.v")
    opened = nil
    store(File.join(folder, "#{key}.v")) { |temporary| opened = Magpie::Walls.picture(bytes, name:, to: temporary, toned:) }
    opened
  end

  # @yieldreturn [String] the bytes, asked for the first time only
  # @return [String] path of a file that holds them
  def file(name)
    path = File.join(folder, name)
    store(path) { |temporary| File.binwrite(temporary, yield) } unless File.exist?(path)
    path
  end

  def kept?(name) = File.exist?(File.join(folder, name))

  # Written beside and renamed, so that nobody ever opens half a file.
  def store(path)
    FileUtils.mkdir_p(folder)
    temporary = File.join(folder, "#{Process.pid}-#{Thread.current.object_id}-#{File.basename(path)}")
    yield temporary
    File.rename(temporary, path)
    make_room(path)
  ensure
    File.delete(temporary) if temporary && File.exist?(temporary)
  end

  # What is listed may be gone by now: others rename what they have written, and make room.
  # @return [File::Stat, nil]
  def there(path)
    File.stat(path).then { |stat| stat if stat.file? }
  rescue Errno::ENOENT
    nil
  end

  # @param keep [String] the file that is wanted right now
  def make_room(keep = nil)
    files = Dir.glob(File.join(whole, "*", "*")).filter_map { |path| there(path)&.then { |stat| [path, stat] } }
    total = files.sum { |_, stat| stat.size }
    files.sort_by { |_, stat| stat.atime }.each do |path, stat|
      break if total <= LARGEST_BYTES
      next if path == keep
      FileUtils.rm_f(path)
      total -= stat.size
    end
  end
end
